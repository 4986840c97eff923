<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

use Escapement\Core\Schedule\Day;

/** The days on which people work, which visit may go where, and what that costs. Rule: docs/rules.md#visit-plan. */
final class VisitSlots
{
    private const LOCKED_TIMES = 20;

    /** @var list<array{technician: int, day: int}> by day, then technician */
    public readonly array $slots;

    /** @var list<list<int>> slots by visit where it is admissible */
    public readonly array $admissible;

    /** @var list<list<int>> slots by visit where it alone is feasible */
    public readonly array $alone;

    public function __construct(public readonly VisitInput $in)
    {
        $slots = [];
        for ($day = $in->start; $day < $in->start + $in->days; $day++) {
            foreach ($in->technicians as $i => $technician) {
                $works = isset($technician->weekdays[Day::weekday($day)]) && ! isset($technician->absences[$day]);
                if ($works && ! isset($in->holidays[$day])) {
                    $slots[] = ['technician' => $i, 'day' => $day];
                }
            }
        }
        $this->slots = $slots;
        $admissible = $alone = [];
        foreach ($in->visits as $v => $visit) {
            $fits = array_values(array_filter(array_keys($slots), fn(int $slot): bool => $this->isAdmissible($visit, $slots[$slot])));
            $admissible[] = $fits;
            $isFeasible = fn(int $slot): bool => $this->travelOf($slots[$slot]['technician'], [$v]) !== null;
            $alone[] = array_values(array_filter($fits, $isFeasible));
        }
        $this->admissible = $admissible;
        $this->alone = $alone;
    }

    public function hasSkills(VisitTechnician $technician, Visit $visit): bool
    {
        foreach ($visit->skills as $skill) {
            if (! isset($technician->skills[$skill])) {
                return false;
            }
        }

        return true;
    }

    /** What it costs to leave a visit out. */
    public function unplacedCost(int $v): int
    {
        $visit = $this->in->visits[$v];

        return $this->in->weights['unplaced'] * $visit->priority * ($visit->isLocked() ? self::LOCKED_TIMES : 1);
    }

    public function lateDays(int $v, int $slot): int
    {
        return max(0, $this->slots[$slot]['day'] - ($this->in->visits[$v]->due ?? PHP_INT_MAX));
    }

    /** What it costs to come on this day, without the way. */
    public function dayCost(int $v, int $slot): int
    {
        $priority = $this->in->visits[$v]->priority;

        return $priority * ($this->in->weights['late'] * $this->lateDays($v, $slot)
            + $this->in->weights['wait'] * ($this->slots[$slot]['day'] - $this->in->start));
    }

    /**
     * @param list<int> $order visits
     *
     * @return ?int minutes of travel; null where an hour is missed
     */
    public function travelOf(int $technician, array $order): ?int
    {
        $bases = count($this->in->technicians);
        $at = $technician;
        $now = $this->in->technicians[$technician]->fromMin;
        $travel = 0;
        foreach ($order as $v) {
            $visit = $this->in->visits[$v];
            $way = $this->in->minutes[$at][$bases + $v];
            $travel += $way;
            $now = max($now + $way, $visit->fromMin) + $visit->durationMin;
            if ($now > $visit->toMin) {
                return null;
            }
            $at = $bases + $v;
        }
        $back = $order === [] ? 0 : $this->in->minutes[$at][$technician];

        return $now + $back > $this->in->technicians[$technician]->toMin ? null : $travel + $back;
    }

    /**
     * Why a visit cannot stand alone with this technician on this day; null when it can. Its lock is not looked at: a person is about to
     * choose one.
     *
     * @return null|'absent'|'no-skill'|'not-in-range'|'not-working'|'too-early'|'too-late'|'too-long'
     */
    public function refusal(int $v, int $technician, int $day): ?string
    {
        $visit = $this->in->visits[$v];
        $who = $this->in->technicians[$technician];

        return match (true) {
            $day < $this->in->start || $day >= $this->in->start + $this->in->days => 'not-in-range',
            ! $this->hasSkills($who, $visit) => 'no-skill',
            isset($who->absences[$day]) || isset($this->in->holidays[$day]) => 'absent',
            ! isset($who->weekdays[Day::weekday($day)]) => 'not-working',
            $visit->earliest !== null && $day < $visit->earliest => 'too-early',
            $visit->latest !== null && $day > $visit->latest => 'too-late',
            $this->travelOf($technician, [$v]) === null => 'too-long',
            default => null,
        };
    }

    /** @return list<?string> by visit: why nobody can make it, or null */
    public function impossible(): array
    {
        $reasons = [];
        foreach ($this->in->visits as $v => $visit) {
            $able = array_filter($this->in->technicians, fn(VisitTechnician $one): bool => $this->hasSkills($one, $visit));
            $reasons[] = match (true) {
                $able === [] => 'no-skill',
                $this->alone[$v] !== [] => null,
                $visit->isLocked() => 'lock',
                $this->admissible[$v] === [] => 'no-day',
                default => 'too-long',
            };
        }

        return $reasons;
    }

    /** @param array{technician: int, day: int} $slot */
    private function isAdmissible(Visit $visit, array $slot): bool
    {
        return $this->hasSkills($this->in->technicians[$slot['technician']], $visit)
            && ($visit->earliest === null || $slot['day'] >= $visit->earliest)
            && ($visit->latest === null || $slot['day'] <= $visit->latest)
            && (! $visit->isLocked() || $visit->lockTechnician === $slot['technician'] && $visit->lockDay === $slot['day']);
    }
}
