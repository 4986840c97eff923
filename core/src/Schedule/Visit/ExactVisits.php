<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/**
 * The best plan of a few visits: for each technician the shortest way of every set that fits a day, then day by day which set.
 * Rule: docs/rules.md#visit-plan.
 */
final class ExactVisits
{
    public const MOST_VISITS = 7;
    public const MOST_TECHNICIANS = 2;

    /** @var array<int, array<int, array{int, list<int>}>> by technician and set: travel and order */
    private array $ways = [];

    public function __construct(private readonly VisitSlots $slots) {}

    /** @return array<int, list<int>> order of visits by slot */
    public function routes(): array
    {
        foreach (array_keys($this->slots->in->technicians) as $technician) {
            $this->ways[$technician] = [];
            $this->extend($technician, 0, []);
        }
        // by set of visits placed so far: cost, routes, travel, late days, and the routes themselves
        $best = [0 => [0, 0, 0, 0, []]];
        foreach ($this->slots->slots as $slot => $one) {
            $next = $best;
            foreach ($this->setsOf($slot) as $set => [$cost, $travel, $late, $order]) {
                foreach ($best as $placed => $plan) {
                    if (($placed & $set) !== 0) {
                        continue;
                    }
                    $longer = [$plan[0] + $cost, $plan[1] + 1, $plan[2] + $travel, $plan[3] + $late, $plan[4] + [$slot => $order]];
                    $key = $placed | $set;
                    if (! isset($next[$key]) || self::isLess($longer, $next[$key])) {
                        $next[$key] = $longer;
                    }
                }
            }
            $best = $next;
        }

        return $this->cheapest($best);
    }

    /** @param list<int> $order */
    private function extend(int $technician, int $set, array $order): void
    {
        foreach ($this->slots->in->visits as $v => $visit) {
            if (($set >> $v & 1) === 1 || ! $this->slots->hasSkills($this->slots->in->technicians[$technician], $visit)) {
                continue;
            }
            $longer = [...$order, $v];
            $travel = $this->slots->travelOf($technician, $longer);
            if ($travel === null && ! $this->mayFit($technician, $longer)) {
                continue;
            }
            $key = $set | 1 << $v;
            if ($travel !== null && (! isset($this->ways[$technician][$key]) || $travel < $this->ways[$technician][$key][0])) {
                $this->ways[$technician][$key] = [$travel, $longer];
            }
            $this->extend($technician, $key, $longer);
        }
    }

    /**
     * Where the way back is too long, a longer round may still come home in time if ways are odd: only the hours of the visits end it.
     *
     * @param list<int> $order
     */
    private function mayFit(int $technician, array $order): bool
    {
        $bases = count($this->slots->in->technicians);
        $at = $technician;
        $now = $this->slots->in->technicians[$technician]->fromMin;
        foreach ($order as $v) {
            $visit = $this->slots->in->visits[$v];
            $now = max($now + $this->slots->in->minutes[$at][$bases + $v], $visit->fromMin) + $visit->durationMin;
            if ($now > min($visit->toMin, $this->slots->in->technicians[$technician]->toMin)) {
                return false;
            }
            $at = $bases + $v;
        }

        return true;
    }

    /** @return array<int, array{int, int, int, list<int>}> cost, travel, late days and order of every set that fits a slot */
    private function setsOf(int $slot): array
    {
        $in = $this->slots->in;
        $allowed = 0;
        foreach ($in->visits as $v => $visit) {
            $allowed |= in_array($slot, $this->slots->admissible[$v], true) ? 1 << $v : 0;
        }
        $sets = [];
        foreach ($this->ways[$this->slots->slots[$slot]['technician']] as $set => [$travel, $order]) {
            if (($set & ~$allowed) !== 0) {
                continue;
            }
            $cost = $in->weights['travel'] * $travel + $in->weights['technician_day'];
            $late = 0;
            foreach ($order as $v) {
                $cost += $this->slots->dayCost($v, $slot);
                $late += $this->slots->lateDays($v, $slot);
            }
            $sets[$set] = [$cost, $travel, $late, $order];
        }

        return $sets;
    }

    /**
     * @param array<int, array{int, int, int, int, array<int, list<int>>}> $plans by set
     *
     * @return array<int, list<int>>
     */
    private function cheapest(array $plans): array
    {
        $best = null;
        foreach ($plans as $set => [$cost, $routes, $travel, $late, $orders]) {
            $out = 0;
            foreach (array_keys($this->slots->in->visits) as $v) {
                if (($set >> $v & 1) === 0) {
                    $cost += $this->slots->unplacedCost($v);
                    $out++;
                }
            }
            $key = [$cost, $out, $routes, $travel, $late];
            if ($best === null || $key < $best[0]) {
                $best = [$key, $orders];
            }
        }

        return $best[1] ?? [];
    }

    /**
     * @param array{int, int, int, int, array<int, list<int>>} $a
     * @param array{int, int, int, int, array<int, list<int>>} $b
     */
    private static function isLess(array $a, array $b): bool
    {
        return array_slice($a, 0, 4) < array_slice($b, 0, 4);
    }
}
