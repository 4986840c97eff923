<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/**
 * The long method for one dwelling: each kind of load by its own table, in kVA. To be confirmed in the edition in force.
 * Rule: docs/rules.md#demand.
 */
final readonly class StandardMethod
{
    /** Lights and outlets: kVA to which this share counts. */
    private const LIGHTS = [[3.0, 1.0], [120.0, 0.35], [INF, 0.25]];
    private const FEW_APPLIANCES = 4;
    private const DRYER_LEAST = 5.0;
    private const RANGE_ABOVE = 8.75;
    private const RANGE_SMALL_BELOW = 3.5;

    /** Ranges above 8.75 kVA by their number; one from 12 kVA up raises it by 5 % a kVA. */
    private const COLUMN_C = [1 => 8.0, 2 => 11.0, 3 => 14.0, 4 => 17.0, 5 => 20.0];
    private const COLUMN_C_TO = 12.0;
    private const MIDDLE_PCT = [1 => 80, 2 => 65, 3 => 55, 4 => 50, 5 => 45];
    private const SMALL_PCT = [1 => 80, 2 => 75, 3 => 70, 4 => 66, 5 => 62];
    private const MOTOR_SHARE = 0.25;

    public static function baseKva(CalculatedInput $in): float
    {
        $appliances = array_sum($in->appliances) * (count($in->appliances) < self::FEW_APPLIANCES ? 1.0 : 0.75);
        $dryers = array_sum(array_map(static fn(float $kva): float => max(self::DRYER_LEAST, $kva), $in->dryers));

        return self::lights($in->lightingKva()) + $appliances + $dryers + self::ranges($in->ranges)
            + self::MOTOR_SHARE * $in->largestMotorKva;
    }

    private static function lights(float $kva): float
    {
        $sum = $from = 0.0;
        foreach (self::LIGHTS as [$to, $share]) {
            $sum += max(0.0, min($kva, $to) - $from) * $share;
            $from = $to;
        }

        return $sum;
    }

    /** @param list<float> $nameplates */
    private static function ranges(array $nameplates): float
    {
        $large = array_filter($nameplates, static fn(float $kva): bool => $kva > self::RANGE_ABOVE);
        $small = array_filter($nameplates, static fn(float $kva): bool => $kva < self::RANGE_SMALL_BELOW);
        $middle = array_diff_key($nameplates, $large, $small);
        $sum = 0.0;
        if ($large !== []) {
            $mean = array_sum(array_map(static fn(float $kva): float => max(self::COLUMN_C_TO, $kva), $large)) / count($large);
            $sum = self::COLUMN_C[count($large)] * (1 + 0.05 * floor($mean - self::COLUMN_C_TO + 0.5));
        }

        return $sum + array_sum($middle) * (self::MIDDLE_PCT[count($middle)]
            ?? 0) / 100 + array_sum($small) * (self::SMALL_PCT[count($small)] ?? 0) / 100;
    }
}
