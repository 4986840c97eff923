<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\Absence;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\WorkProfile;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Schedule\Clash\ClashGroup;
use Escapement\Core\Schedule\Clash\ClashInput;
use Escapement\Core\Schedule\Clash\ClashPerson;
use Escapement\Core\Schedule\Clash\ClashSwitch;
use Escapement\Core\Schedule\Clash\ExerciseClashes;
use Escapement\Core\Schedule\Clash\PlacedRun;
use Escapement\Core\Schedule\Clash\Spans;
use Escapement\Core\Schedule\Clash\WeeklyHours;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\SwitchCalendar;
use Escapement\Core\Schedule\SwitchExercise;
use Escapement\Core\Schedule\Zone;
use Escapement\Core\Settings\QuietHours;

/** The exercises of a company in a range of days, and what of them hurts somebody or needs one person twice. */
final readonly class FleetCalendar
{
    private const BETWEEN_MIN = 30;
    private const STEP_MIN = 15;
    private const SEARCH_DAYS = 7;
    /** More than anybody looks at, and than a page can judge in time. */
    private const MOST_RUNS = 2500;

    /** @var \ArrayObject<string, Spans> by hours and zone: most sites have the same */
    private \ArrayObject $spans;
    /** @var array<int, SwitchCalendar> by switch */
    public array $calendars;
    public ?CalculationResult $clashes;
    /** Sites of which something is known that an exercise could hurt. */
    public int $judged;
    /** Too many exercises to judge in one page. */
    public bool $isTooMany;

    /**
     * @param array<int, TransferSwitch> $switches with site, sheet, upkeep; by id
     * @param int                        $from     day
     * @param int                        $to       day, the last one
     */
    public function __construct(private array $switches, private int $from, private int $to)
    {
        /** @var \ArrayObject<string, Spans> $spans */
        $spans = new \ArrayObject();
        $this->spans = $spans;
        $calendars = $zones = [];
        foreach ($switches as $id => $switch) {
            $exercise = ExerciseFacts::of($switch);
            if ($exercise !== null) {
                $zone = $zones[$switch->site->timezone] ??= new Zone($switch->site->timezone); // a zone looks its changes up once
                $of = new SwitchExercise((string) $id, $zone, $exercise);
                $calendars[$id] = new SwitchCalendar($of, $from, $to);
            }
        }
        $this->calendars = $calendars;
        $input = $this->input();
        $this->judged = count($input->switches);
        $this->isTooMany = count($input->runs) > self::MOST_RUNS;
        $this->clashes = $input->switches === [] || $this->isTooMany ? null : (new ExerciseClashes($input))->result();
    }

    private function input(): ClashInput
    {
        $people = $this->people();
        $switches = $runs = [];
        foreach ($this->calendars as $id => $calendar) {
            $upkeep = $this->switches[$id]->upkeep;
            $quiet = $this->quiet($this->switches[$id]);
            $person = $upkeep?->attends_user_id === null ? null : $people[$upkeep->attends_user_id] ?? null;
            if ($person === null && $quiet === [] && ($upkeep === null || ! self::isAsked($upkeep))) {
                continue; // nothing can hurt
            }
            $zone = $calendar->switch->zone;
            $switches[] = new ClashSwitch(
                $calendar->switch,
                $person,
                $upkeep?->noise_group === null ? null : new ClashGroup($upkeep->noise_group, 1, 0),
                $this->spans($quiet, $zone),
                $this->hours($upkeep?->sleep_from, $upkeep?->sleep_to, 7, $zone),
                $this->hours($upkeep?->business_from, $upkeep?->business_to, 5, $zone),
                new Spans([]),
            );
            foreach ($calendar->occurrences as $one) {
                $runs[] = new PlacedRun(count($switches) - 1, $one->utcS, $one->endUtcS - $one->utcS, $one->utcS + $one->offsetS);
            }
        }

        return new ClashInput($switches, $runs, self::STEP_MIN, self::SEARCH_DAYS);
    }

    private static function isAsked(Upkeep $upkeep): bool
    {
        return $upkeep->noise_group !== null || $upkeep->sleep_from !== null || $upkeep->business_from !== null;
    }

    /** @return list<array{days: array<int, true>, from: int, to: int}> */
    private function quiet(TransferSwitch $switch): array
    {
        $habits = $switch->sheet === null ? null : SwitchFacts::habits($switch->sheet->habits);

        return array_map(static fn(QuietHours $one): array => [
            'days' => array_fill_keys($one->days, true), 'from' => $one->fromMinute, 'to' => $one->toMinute,
        ], $habits->quietHours ?? []);
    }

    private function hours(?string $from, ?string $to, int $days, Zone $zone): Spans
    {
        return $from === null || $to === null ? new Spans([]) : $this->spans([[
            'days' => array_fill_keys(range(0, $days - 1), true), 'from' => self::minute($from), 'to' => self::minute($to),
        ]], $zone);
    }

    /** @param list<array{days: array<int, true>, from: int, to: int}> $hours of a week */
    private function spans(array $hours, Zone $zone): Spans
    {
        $key = $zone->name . json_encode($hours, JSON_THROW_ON_ERROR);
        $this->spans[$key] ??= (new WeeklyHours($hours))->spans($zone, $this->from, $this->to);

        return $this->spans[$key];
    }

    /** @return array<int, ClashPerson> by user: those who have hours of work */
    private function people(): array
    {
        $absences = [];
        foreach (Absence::query()->get() as $one) {
            $absences[$one->user_id ?? 0][] = [(int) Day::read($one->from->format('Y-m-d')), (int) Day::read($one->to->format('Y-m-d'))];
        }
        $people = [];
        $zone = new Zone(array_values($this->switches)[0]->site->timezone ?? 'UTC'); // people live where most of their sites are
        foreach (WorkProfile::query()->get() as $profile) {
            $hours = new WeeklyHours([[
                'days' => array_fill_keys(array_keys(array_intersect(ExerciseFacts::WEEKDAYS, $profile->days)), true),
                'from' => self::minute($profile->from), 'to' => self::minute($profile->to),
            ]]);
            $away = [...$absences[0] ?? [], ...$absences[$profile->user_id] ?? []];
            $people[$profile->user_id] = new ClashPerson(
                (string) $profile->user_id,
                $hours->spans($zone, $this->from, $this->to, $away),
                60 * self::BETWEEN_MIN,
            );
        }

        return $people;
    }

    public static function minute(string $clock): int
    {
        return 60 * (int) substr($clock, 0, 2) + (int) substr($clock, 3, 2);
    }
}
