<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Absence;
use App\Models\Visit;
use App\Models\WorkProfile;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Visit\TravelTable;
use Escapement\Core\Schedule\Visit\Visit as PlannedVisit;
use Escapement\Core\Schedule\Visit\VisitInput;
use Escapement\Core\Schedule\Visit\VisitSlots;
use Escapement\Core\Schedule\Visit\VisitTechnician;
use Illuminate\Support\Carbon;

/** Open visits and the people of a company as `visit_plan` takes them. */
final readonly class VisitFacts
{
    /** As many as a plan takes; of more, the most urgent. */
    public const MOST_VISITS = 120;
    public const MOST_PEOPLE = 6;
    private const SPEED_KMH = 50.0;
    private const DETOUR = 1.3;
    private const WEIGHTS = ['unplaced' => 1000, 'late' => 60, 'wait' => 2, 'travel' => 1, 'technician_day' => 60];

    /** @var list<WorkProfile> those who are planned for, in the order of their names */
    public array $people;
    /** @var list<Visit> that can be planned, the most urgent first */
    public array $visits;
    /** @var list<Visit> of sites whose place nobody entered */
    public array $nowhere;
    /** How many more there are than a plan takes. */
    public int $leftOut;

    public function __construct(private int $start, private int $days)
    {
        $profiles = WorkProfile::query()->with('user')->get()->filter(static fn(WorkProfile $one): bool => $one->user->left_at === null);
        $people = array_values($profiles->sortBy(static fn(WorkProfile $one): string => $one->user->name)->all());
        $this->people = array_slice($people, 0, self::MOST_PEOPLE);
        $query = Visit::query();
        $query->whereNull('done_at')->orderByDesc('priority')->orderBy('due')->orderBy('id');
        $all = array_values($query->with(['switch.site', 'placed'])->get()->all());
        $placed = array_values(array_filter($all, static fn(Visit $one): bool => $one->switch->site->lat !== null));
        $this->nowhere = array_values(array_filter($all, static fn(Visit $one): bool => $one->switch->site->lat === null));
        $this->visits = array_slice($placed, 0, self::MOST_VISITS);
        $this->leftOut = count($placed) - count($this->visits);
    }

    /** Null where nobody or nothing is to be planned. */
    public function input(): ?VisitInput
    {
        if ($this->people === [] || $this->visits === []) {
            return null;
        }
        $away = $this->away();
        $places = array_flip(array_map(static fn(WorkProfile $one): int => $one->user_id, $this->people));
        $technicians = array_map(static fn(WorkProfile $one): VisitTechnician => new VisitTechnician(
            (string) $one->user_id,
            $one->lat,
            $one->lon,
            array_fill_keys(array_keys(array_intersect(ExerciseFacts::WEEKDAYS, $one->days)), true),
            FleetCalendar::minute($one->from),
            FleetCalendar::minute($one->to),
            $away[$one->user_id] ?? [],
            array_fill_keys($one->skills, true),
        ), $this->people);
        $visits = array_map(fn(Visit $one): PlannedVisit => new PlannedVisit(
            (string) $one->id,
            (float) $one->switch->site->lat,
            (float) $one->switch->site->lon,
            $one->duration_min,
            $one->skills,
            $one->priority,
            self::day($one->earliest),
            self::day($one->latest),
            // what is late already cannot be helped: only what is added to it counts, or the latest would be left out first
            $one->due === null ? null : max($this->start, (int) self::day($one->due)),
            FleetCalendar::minute($one->from),
            $one->to === '24:00' ? 1440 : FleetCalendar::minute($one->to),
            $one->locked_user_id === null ? null : $places[$one->locked_user_id] ?? null,
            $one->locked_user_id === null ? null : self::day($one->locked_on),
        ), $this->visits);
        $spots = array_map(static fn(PlannedVisit|VisitTechnician $one): array => [$one->lat, $one->lon], [...$technicians, ...$visits]);

        return new VisitInput(
            $this->start,
            $this->days,
            $away[0] ?? [],
            $technicians,
            $visits,
            TravelTable::of($spots, self::SPEED_KMH, self::DETOUR),
            true,
            self::WEIGHTS,
        );
    }

    /** Why a person cannot choose this slot for a visit; null when they can. */
    public function refusal(Visit $visit, int $userId, int $day): ?string
    {
        $input = $this->input();
        $v = array_search($visit->id, array_map(static fn(Visit $one): int => $one->id, $this->visits), true);
        $technician = array_search($userId, array_map(static fn(WorkProfile $one): int => $one->user_id, $this->people), true);

        return $input === null || $v === false || $technician === false ? 'not-working'
            : (new VisitSlots($input))->refusal($v, $technician, $day);
    }

    /** @return array<int, array<int, true>> days by user; 0 for everybody */
    private function away(): array
    {
        $away = [];
        foreach (Absence::query()->get() as $one) {
            for ($day = self::day($one->from); $day !== null && $day <= (int) self::day($one->to); $day++) {
                if ($day >= $this->start && $day < $this->start + $this->days) {
                    $away[$one->user_id ?? 0][$day] = true;
                }
            }
        }

        return $away;
    }

    public static function day(?Carbon $at): ?int
    {
        return $at === null ? null : Day::read($at->format('Y-m-d'));
    }
}
