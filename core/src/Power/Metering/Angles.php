<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

use Escapement\Core\Input\Tolerance;

/** Angles of three phases. */
final class Angles
{
    private const ROTATION_SLACK = 20;

    /** Into (−180, 180]. */
    public static function normal(float $deg): float
    {
        $deg = fmod($deg, 360.0);

        return $deg > 180 ? $deg - 360 : ($deg <= -180 ? $deg + 360 : $deg);
    }

    /**
     * @param list<float> $vDeg
     *
     * @return 'abc'|'acb'|'undetermined'
     */
    public static function rotation(array $vDeg): string
    {
        $turn = static fn(float $deg): float => fmod(fmod($deg, 360.0) + 360.0, 360.0);
        $d = $turn($vDeg[0] - $vDeg[1]);
        $e = $turn($vDeg[1] - $vDeg[2]);
        $isNear = static fn(float $deg, float $of): bool => abs($deg - $of) <= self::ROTATION_SLACK + 1e-9;

        return match (true) {
            $isNear($d, 120) && $isNear($e, 120) => 'abc',
            $isNear($d, 240) && $isNear($e, 240) => 'acb',
            default => 'undetermined',
        };
    }

    /**
     * @param list<float> $sizes
     * @param list<float> $deg
     */
    public static function sum(array $sizes, array $deg): float
    {
        $x = $y = 0.0;
        foreach ($sizes as $i => $size) {
            $x += $size * cos(deg2rad($deg[$i]));
            $y += $size * sin(deg2rad($deg[$i]));
        }

        return hypot($x, $y);
    }

    /** @param list<float> $values */
    public static function unbalancePct(array $values): float
    {
        $mean = array_sum($values) / max(1, count($values));
        $most = max([0.0, ...array_map(static fn(float $value): float => abs($value - $mean), $values)]);

        return Tolerance::exceeds(abs($mean), 0) ? 100 * $most / $mean : 0.0;
    }
}
