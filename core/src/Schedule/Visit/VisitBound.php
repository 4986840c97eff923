<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/** What no plan can cost less than: each visit by itself, with its share of the way and of a day. Rule: docs/rules.md#visit-plan. */
final readonly class VisitBound
{
    public static function of(VisitSlots $slots): float
    {
        $in = $slots->in;
        $longest = 1;
        foreach ($in->technicians as $technician) {
            $longest = max($longest, $technician->toMin - $technician->fromMin);
        }
        $bound = 0.0;
        foreach ($in->visits as $v => $visit) {
            $unplaced = $slots->unplacedCost($v);
            $days = array_map(static fn(int $slot): int => $slots->dayCost($v, $slot), $slots->alone[$v]);
            if ($days === []) {
                $bound += $unplaced;
                continue;
            }
            $way = self::leastWay($in, $v);
            $bound += min(
                $unplaced,
                min($days) + $in->weights['travel'] * $way + $in->weights['technician_day'] * ($visit->durationMin + $way) / $longest,
            );
        }

        return $bound;
    }

    /** Half of the shortest way to it and half of the shortest from it. */
    private static function leastWay(VisitInput $in, int $v): float
    {
        $at = count($in->technicians) + $v;
        $to = $from = PHP_INT_MAX;
        foreach (array_keys($in->minutes) as $other) {
            if ($other !== $at) {
                $to = min($to, $in->minutes[$other][$at]);
                $from = min($from, $in->minutes[$at][$other]);
            }
        }

        return ($to + $from) / 2;
    }
}
