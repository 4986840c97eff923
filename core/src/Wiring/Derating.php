<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/** Factors for heat and for bundling. Facts to be confirmed against the edition in force. Rule: docs/rules.md#conductor. */
final readonly class Derating
{
    private const BOUNDS_C = [10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 85];
    private const AMBIENT = [
        60 => [1.29, 1.22, 1.15, 1.08, 1, .91, .82, .71, .58, .41],
        75 => [1.20, 1.15, 1.11, 1.05, 1, .94, .88, .82, .75, .67, .58, .47, .33],
        90 => [1.15, 1.12, 1.08, 1.04, 1, .96, .91, .87, .82, .76, .71, .65, .58, .50, .41, .29],
    ];

    private const ADJUSTMENT = [3 => 1, 6 => .8, 9 => .7, 20 => .5, 30 => .45, 40 => .4];

    public static function ambient(int $insulationC, float $ambientC, bool $isFormula): float
    {
        if ($isFormula) {
            return $ambientC >= $insulationC ? 0.0 : sqrt(($insulationC - $ambientC) / ($insulationC - 30));
        }

        return self::byBound(self::AMBIENT[$insulationC] ?? [], $ambientC);
    }

    public static function adjustment(int $currentCarrying): float
    {
        foreach (self::ADJUSTMENT as $most => $factor) {
            if ($currentCarrying <= $most) {
                return $factor;
            }
        }

        return .35;
    }

    /** @param array<int, int|float> $factors */
    private static function byBound(array $factors, float $ambientC): float
    {
        foreach (self::BOUNDS_C as $i => $bound) {
            if (RelativeTolerance::isAtLeast($bound, $ambientC)) {
                return $factors[$i] ?? 0.0;
            }
        }

        return 0.0;
    }
}
