<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** Many points as few, for a drawing: of each stretch the lowest and the highest stay, so that no dip is lost. */
final readonly class Extremes
{
    /**
     * @param list<array{float, float}> $points in order of time
     * @param int<2, max>               $most
     *
     * @return list<array{float, float}>
     */
    public static function of(array $points, int $most): array
    {
        $count = count($points);
        if ($count <= $most) {
            return $points;
        }
        $kept = [];
        $stretches = intdiv($most, 2);
        for ($i = 0; $i < $stretches; $i++) {
            $from = intdiv($i * $count, $stretches);
            $to = intdiv(($i + 1) * $count, $stretches);
            $low = $high = $from;
            for ($at = $from + 1; $at < $to; $at++) {
                $low = $points[$at][1] < $points[$low][1] ? $at : $low;
                $high = $points[$at][1] > $points[$high][1] ? $at : $high;
            }
            foreach (array_unique([min($low, $high), max($low, $high)]) as $at) {
                $kept[] = $points[$at];
            }
        }

        return $kept;
    }
}
