<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Input\Tolerance;

/** Standard overcurrent device sizes. Facts to be confirmed against the edition in force. Rule: docs/rules.md#wiring-conventions. */
final readonly class StandardSizes
{
    public const AMPS = [
        15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500, 600, 700, 800,
        1000, 1200, 1600, 2000, 2500, 3000, 4000, 5000, 6000,
    ];

    public static function has(float $amps): bool
    {
        return in_array($amps, array_map(floatval(...), self::AMPS), true);
    }

    /** The largest size that is not above; the smallest of all below it. */
    public static function atMost(float $amps): float
    {
        $most = self::AMPS[0];
        foreach (self::AMPS as $size) {
            $most = RelativeTolerance::isAtLeast($amps, $size) ? $size : $most;
        }

        return (float) $most;
    }

    /** The smallest size that is not below; null above the largest. */
    public static function next(float $amps): ?int
    {
        foreach (self::AMPS as $size) {
            if (! Tolerance::exceeds($amps, $size)) {
                return $size;
            }
        }

        return null;
    }
}
