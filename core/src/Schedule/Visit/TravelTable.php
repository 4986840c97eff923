<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/** Minutes of travel from straight lines on the globe. Rule: docs/rules.md#visit-plan. */
final readonly class TravelTable
{
    private const EARTH_KM = 6371.0088;

    /**
     * @param list<array{float, float}> $places latitude and longitude in degrees
     *
     * @return list<list<int>>
     */
    public static function of(array $places, float $speedKmh, float $detour): array
    {
        return array_map(static fn(array $from): array => array_map(
            static fn(array $to): int => (int) ceil(60 * $detour * self::km($from, $to) / $speedKmh - 1e-9),
            $places,
        ), $places);
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    private static function km(array $a, array $b): float
    {
        $h = sin(deg2rad($b[0] - $a[0]) / 2) ** 2
            + cos(deg2rad($a[0])) * cos(deg2rad($b[0])) * sin(deg2rad($b[1] - $a[1]) / 2) ** 2;

        return 2 * self::EARTH_KM * asin(min(1, sqrt($h)));
    }
}
