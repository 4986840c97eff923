<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/**
 * Between which values a figure of a reading is taken as read; outside, a person is asked whether it is a slip of the finger.
 * It refuses nothing. Rule: docs/rules.md#load-test-evaluate.
 */
final readonly class PlausibleReading
{
    /**
     * @param float $nominalV line to neutral
     * @param float $mostA    the greatest current that the set can give on a leg, and somewhat more
     *
     * @return array<string, array{float, float}> least and most by figure: v, a, hz, oil_kpa, coolant_c, exhaust_c, battery_v
     */
    public static function bands(float $nominalV, float $nominalHz, float $mostA): array
    {
        return [
            'v' => [0.5 * $nominalV, 1.3 * $nominalV],
            'a' => [0.0, $mostA],
            'hz' => [0.8 * $nominalHz, 1.1 * $nominalHz],
            'oil_kpa' => [50.0, 900.0],
            'coolant_c' => [-20.0, 125.0],
            'exhaust_c' => [20.0, 750.0],
            'battery_v' => [10.0, 32.0],
        ];
    }
}
