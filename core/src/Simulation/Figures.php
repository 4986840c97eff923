<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** Numbers as they stand in a sentence about an event. */
final class Figures
{
    /** One decimal where that is exact, else milliseconds. */
    public static function seconds(int $ms): string
    {
        return $ms % 100 === 0 && $ms >= 0 ? intdiv($ms, 1000) . '.' . intdiv($ms % 1000, 100) . ' s' : sprintf('%.3f s', $ms / 1000);
    }

    public static function figure(int|float $value): string
    {
        return (string) (is_float($value) ? round($value, 2) : $value);
    }
}
