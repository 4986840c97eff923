<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Bridge\ExerciseFacts;
use App\Bridge\FleetCalendar;
use App\Bridge\VisitFacts;
use App\Drawing\Ruler\VisitRuler;
use App\Models\Absence;
use App\Models\SeasonState;
use App\Models\Visit;
use App\Models\VisitPlanning;
use App\Models\WorkProfile;
use Escapement\Core\Schedule\Day;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/**
 * The visits of a company over its people and days, as they are planned now.
 *
 * @phpstan-import-type DayRow from VisitRuler
 * @phpstan-import-type Stop from VisitRuler
 */
final readonly class VisitsPage
{
    private const EDGE_MIN = 30;
    private const DAYS = 10;

    public ?VisitPlanning $planning;
    public VisitFacts $facts;
    public int $start;
    public int $days;
    /** @var Collection<int, Absence> */
    private Collection $absences;

    public function __construct()
    {
        $query = VisitPlanning::query();
        $query->orderByDesc('id');
        $this->planning = $query->first();
        $today = (int) Day::read(Carbon::now()->format('Y-m-d'));
        $this->start = $this->planning === null ? $today : (int) VisitFacts::day($this->planning->start);
        $this->days = $this->planning->days ?? self::DAYS;
        $this->facts = new VisitFacts($this->start, $this->days);
        $absences = Absence::query();
        $absences->where('to', '>=', Day::write($this->start));
        $this->absences = $absences->get();
    }

    public function title(): string
    {
        return gmdate('j M', $this->start * Day::S) . ' to ' . gmdate('j M Y', ($this->start + $this->days - 1) * Day::S);
    }

    public function isPlanning(): bool
    {
        return $this->planning !== null && ! $this->planning->state->isOver();
    }

    public function failure(): ?string
    {
        return $this->planning?->state === SeasonState::Failed ? $this->planning->failure : null;
    }

    /** @return array<string, mixed> the answer of visit_plan; empty before the first one */
    public function result(): array
    {
        return $this->planning->result ?? [];
    }

    public function figure(string $key): int
    {
        $value = $this->result()[$key] ?? 0;

        return is_numeric($value) ? (int) $value : 0;
    }

    /** Hours and minutes on the road. */
    public function travel(): string
    {
        return sprintf('%d:%02d', intdiv($this->figure('travel_min'), 60), $this->figure('travel_min') % 60);
    }

    public function placed(): int
    {
        return count(array_filter($this->facts->visits, static fn(Visit $one): bool => $one->placed_on !== null));
    }

    /** How near the plan is to what cannot be beaten, with the sum behind it. */
    public function gap(): string
    {
        $parts = (array) ($this->result()['parts'] ?? []);
        $number = static fn(string $key): string => number_format(
            is_numeric($parts[$key] ?? null) ? (float) $parts[$key] : 0.0,
            0,
            '.',
            ' ',
        );
        $objective = $this->figure('objective');

        return sprintf(
            '%.1f %% above what cannot be beaten (%s of %s): cost = %s left out + %s late + %s waiting + %s travel '
                . '+ %s days on the road. %s',
            is_numeric($this->result()['gap_pct'] ?? null) ? (float) $this->result()['gap_pct'] : 0.0,
            number_format($objective - $this->figure('best_bound'), 0, '.', ' '),
            number_format($objective, 0, '.', ' '),
            $number('unplaced'),
            $number('late'),
            $number('wait'),
            $number('travel'),
            $number('technician_day'),
            ($this->result()['optimal'] ?? false) === true ? 'Proven: none is better.' : 'Not proven to be the best.',
        );
    }

    public function ruler(): VisitRuler
    {
        $from = min([480, ...array_map(static fn(WorkProfile $one): int => FleetCalendar::minute($one->from), $this->facts->people)]);
        $to = max([1020, ...array_map(static fn(WorkProfile $one): int => FleetCalendar::minute($one->to), $this->facts->people)]);

        return new VisitRuler(array_map(fn(WorkProfile $one): array => [
            'name' => $one->user->name, 'skills' => implode(', ', $one->skills) . " · $one->from to $one->to",
            'days' => $this->daysOf($one),
        ], $this->facts->people), $from - self::EDGE_MIN, $to + self::EDGE_MIN);
    }

    /** @return list<array{visit: Visit, why: string, help: string}> */
    public function unplaced(): array
    {
        $rows = [];
        foreach ([...$this->facts->visits, ...$this->facts->nowhere] as $visit) {
            $why = $visit->switch->site->lat === null ? 'nowhere' : $visit->unplaced_why;
            if ($why !== null) {
                [$words, $help] = VisitWords::UNPLACED[$why] ?? VisitWords::UNPLACED['no-room'];
                $rows[] = ['visit' => $visit, 'why' => $words, 'help' => $help];
            }
        }

        return $rows;
    }

    /** @return list<Visit> not planned since they were entered */
    public function waiting(): array
    {
        return array_values(array_filter(
            $this->facts->visits,
            static fn(Visit $one): bool => $one->placed_on === null && $one->unplaced_why === null,
        ));
    }

    /** @return list<DayRow> */
    private function daysOf(WorkProfile $profile): array
    {
        $back = [];
        foreach ((array) ($this->result()['routes'] ?? []) as $route) {
            if ((int) ($route['technician'] ?? 0) === $profile->user_id) {
                $back[(string) $route['date']] = (int) $route['back_min'];
            }
        }
        $days = [];
        for ($day = $this->start; $day < $this->start + $this->days; $day++) {
            $date = Day::write($day);
            $works = in_array(ExerciseFacts::WEEKDAYS[Day::weekday($day)], $profile->days, true);
            $away = $this->awayOn($profile->user_id, $date);
            $stops = $this->stops($profile->user_id, $date);
            if (! $works && $stops === []) {
                continue; // a day off of everybody needs no ruler
            }
            $days[] = [
                'user' => $profile->user_id, 'date' => $date, 'label' => gmdate('D j M', $day * Day::S),
                'works' => $away === null && $works ? [FleetCalendar::minute($profile->from), FleetCalendar::minute($profile->to)] : null,
                'away' => $away, 'stops' => $stops, 'back' => $stops === [] ? null : $back[$date] ?? null,
            ];
        }

        return $days;
    }

    /** @return list<Stop> */
    private function stops(int $userId, string $date): array
    {
        $stops = [];
        foreach ($this->facts->visits as $one) {
            if ($one->placed_user_id === $userId && $one->placed_on?->format('Y-m-d') === $date) {
                $isLate = $one->due !== null && $one->placed_on->greaterThan($one->due);
                $stops[] = [
                    'visit' => $one->id, 'from' => (int) $one->begin_min, 'to' => (int) $one->end_min, 'arrive' => (int) $one->arrive_min,
                    'words' => $one->switch->site->name,
                    'more' => ($isLate ? round($one->due->diffInDays($one->placed_on)) . ' d late, ' : '') . VisitWords::of($one),
                    'isLocked' => $one->isLocked(), 'isLate' => $isLate, 'isDone' => $one->done_at !== null,
                ];
            }
        }
        usort($stops, static fn(array $a, array $b): int => $a['from'] <=> $b['from']);

        return $stops;
    }

    private function awayOn(int $userId, string $date): ?string
    {
        foreach ($this->absences as $one) {
            $isTheirs = $one->user_id === null || $one->user_id === $userId;
            if ($isTheirs && $one->from->format('Y-m-d') <= $date && $one->to->format('Y-m-d') >= $date) {
                return $one->words;
            }
        }

        return null;
    }
}
