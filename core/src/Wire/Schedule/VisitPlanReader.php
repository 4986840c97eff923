<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Visit\TravelTable;
use Escapement\Core\Schedule\Visit\Visit;
use Escapement\Core\Schedule\Visit\VisitInput;
use Escapement\Core\Schedule\Visit\VisitPlan;
use Escapement\Core\Schedule\Visit\VisitTechnician;
use Escapement\Core\Wire\InputReader;

/** `visit_plan` on the wire. Rule: docs/rules.md#visit-plan. */
final class VisitPlanReader implements InputReader
{
    private const TECHNICIAN = ['id', 'lat', 'lon', 'days', 'from', 'to', 'absences', 'skills'];
    private const VISIT = [
        'id', 'lat', 'lon', 'duration_min', 'skills', 'priority', 'earliest', 'latest', 'due', 'from', 'to', 'lock',
    ];
    private const WEIGHTS = ['unplaced' => 1000, 'late' => 60, 'wait' => 2, 'travel' => 1, 'technician_day' => 60];
    private const WORKDAYS = [0 => true, 1 => true, 2 => true, 3 => true, 4 => true];
    private const MOST_WEIGHT = 100_000;

    /** @var list<\Closure(): void> rules between fields, which come after the types of the whole input */
    private array $later = [];

    /** @var list<string> technicians */
    private array $technicians = [];

    private int $start = 0;
    private int $days = 0;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new VisitPlan())->of($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): VisitInput
    {
        $in = (new Fields($node))->only(['start', 'days', 'holidays', 'technicians', 'visits', 'travel', 'weights']);
        $this->start = ScheduleFields::day($in, 'start');
        $this->days = $in->int('days', 1, 31, 10);
        $holidays = self::days($in, 'holidays');
        $technicians = $in->each('technicians', 1, 6, $this->technician(...), isOptional: false);
        $this->technicians = array_map(static fn(VisitTechnician $one): string => $one->id, $technicians);
        $visits = $in->each('visits', 1, 120, $this->visit(...), isOptional: false);
        $travel = $in->maybeObject('travel')?->only(['speed_kmh', 'detour', 'matrix_min']);
        $speed = $travel?->number('speed_kmh', 1, 200, 50.0) ?? 50.0;
        $detour = $travel?->number('detour', 1, 5, 1.3) ?? 1.3;
        $matrix = $travel === null ? null : self::matrix($travel);
        $weights = $this->weights($in->maybeObject('weights'));
        foreach ($this->later as $rule) {
            $rule();
        }
        $places = count($technicians) + count($visits);
        if ($matrix !== null && $travel !== null) {
            self::demandSquare($travel->at('matrix_min'), $matrix, $places);
        }
        $spots = array_map(static fn(VisitTechnician|Visit $one): array => [$one->lat, $one->lon], [...$technicians, ...$visits]);

        return new VisitInput(
            $this->start,
            $this->days,
            $holidays,
            $technicians,
            $visits,
            $matrix ?? TravelTable::of($spots, $speed, $detour),
            $matrix === null,
            $weights,
        );
    }

    private function technician(Fields $in): VisitTechnician
    {
        $in->only(self::TECHNICIAN);
        $id = $in->text('id');
        $lat = $in->number('lat', -90, 90);
        $lon = $in->number('lon', -180, 180);
        $weekdays = $in->has('days') ? ScheduleFields::weekdays($in, 'days') : self::WORKDAYS;
        $from = $in->has('from') ? ScheduleFields::clock($in, 'from') : 480;
        $to = ScheduleFields::clock24($in, 'to', 1020);
        $this->demandOrder($in, $from, $to);

        $absences = self::days($in, 'absences');

        return new VisitTechnician($id, $lat, $lon, $weekdays, $from, $to, $absences, array_fill_keys(self::skills($in), true));
    }

    private function visit(Fields $in): Visit
    {
        $in->only(self::VISIT);
        $id = $in->text('id');
        $lat = $in->number('lat', -90, 90);
        $lon = $in->number('lon', -180, 180);
        $duration = $in->int('duration_min', 1, 720);
        $skills = self::skills($in);
        $priority = $in->int('priority', 1, 5, 3);
        $day = static fn(string $key): ?int => $in->has($key) ? ScheduleFields::day($in, $key) : null;
        $earliest = $day('earliest');
        $latest = $day('latest');
        $due = $day('due');
        $from = $in->has('from') ? ScheduleFields::clock($in, 'from') : 0;
        $to = ScheduleFields::clock24($in, 'to', 1440);
        $this->later[] = static function () use ($in, $earliest, $latest): void {
            if ($earliest !== null && $latest !== null && $latest < $earliest) {
                throw $in->at('latest')->bad('The latest day does not come before the earliest.');
            }
        };
        [$place, $lockDay] = $this->lock($in->maybeObject('lock')?->only(['technician', 'date']));
        $this->demandOrder($in, $from, $to);

        return new Visit(
            $id,
            $lat,
            $lon,
            $duration,
            $skills,
            $priority,
            $earliest,
            $latest,
            $due,
            $from,
            $to,
            $place,
            $lockDay,
        );
    }

    /** @return array{?int, ?int} the place of the technician, and the day */
    private function lock(?Fields $lock): array
    {
        if ($lock === null) {
            return [null, null];
        }
        $place = array_search($lock->text('technician'), $this->technicians, true);
        $day = ScheduleFields::day($lock, 'date');
        $this->later[] = function () use ($lock, $place, $day): void {
            if ($place === false) {
                throw $lock->at('technician')->bad('There is no such technician.');
            }
            if ($day < $this->start || $day >= $this->start + $this->days) {
                throw $lock->at('date')->bad('This day lies outside of the days that are planned.');
            }
        };

        return is_int($place) ? [$place, $day] : [null, null];
    }

    private function demandOrder(Fields $in, int $from, int $to): void
    {
        $this->later[] = static function () use ($in, $from, $to): void {
            if ($to <= $from) {
                throw $in->at('to')->bad('The end comes after the beginning.');
            }
        };
    }

    /** @return array{unplaced: int, late: int, wait: int, travel: int, technician_day: int} */
    private function weights(?Fields $in): array
    {
        $in?->only(array_keys(self::WEIGHTS));
        $weight = static fn(string $key, int $usual): int => $in?->int($key, 0, self::MOST_WEIGHT, $usual) ?? $usual;

        return [
            'unplaced' => $weight('unplaced', self::WEIGHTS['unplaced']),
            'late' => $weight('late', self::WEIGHTS['late']),
            'wait' => $weight('wait', self::WEIGHTS['wait']),
            'travel' => $weight('travel', self::WEIGHTS['travel']),
            'technician_day' => $weight('technician_day', self::WEIGHTS['technician_day']),
        ];
    }

    /** @return ?list<list<int>> */
    private static function matrix(Fields $in): ?array
    {
        $rows = $in->maybeList('matrix_min', 0, PHP_INT_MAX);
        if ($rows === null) {
            return null;
        }

        return array_map(static fn(Node $row): array => array_map(
            static fn(Node $one): int => $one->integer(0, 1440),
            $row->list(),
        ), $rows);
    }

    /** @param list<list<int>> $matrix */
    private static function demandSquare(Node $node, array $matrix, int $places): void
    {
        if (count($matrix) !== $places) {
            throw $node->bad("It has a row for each base and each visit: $places.");
        }
        foreach ($matrix as $i => $row) {
            if (count($row) !== $places) {
                throw $node->at($i, null)->bad("Each row has $places figures.");
            }
        }
    }

    /** @return array<int, true> */
    private static function days(Fields $in, string $key): array
    {
        $days = [];
        foreach ($in->maybeList($key, 0, 100) ?? [] as $node) {
            $days[ScheduleFields::dayAt($node)] = true;
        }

        return $days;
    }

    /** @return list<string> */
    private static function skills(Fields $in): array
    {
        return array_map(static fn(Node $one): string => $one->text(), $in->maybeList('skills', 0, 30) ?? []);
    }
}
