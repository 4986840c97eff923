<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** The two conductors that a coil or a lamp lies across. */
enum Across: string
{
    case L1N = 'L1N';
    case L2N = 'L2N';
    case L3N = 'L3N';
    case L1L2 = 'L1L2';
    case L2L3 = 'L2L3';
    case L3L1 = 'L3L1';

    /**
     * @param list<float> $v        line to neutral, per phase
     * @param float       $nominalV line to neutral
     *
     * @return float percent of what this place has at nominal
     */
    public function pct(array $v, float $nominalV): float
    {
        [$a, $b] = match ($this) {
            self::L1N => [0, null],
            self::L2N => [1, null],
            self::L3N => [2, null],
            self::L1L2 => [0, 1],
            self::L2L3 => [1, 2],
            self::L3L1 => [2, 0],
        };

        return $b === null ? 100 * $v[$a] / $nominalV : 100 * self::lineV($v[$a], $v[$b]) / (M_SQRT3 * $nominalV);
    }

    /** @return non-empty-list<self> the three line voltages */
    public static function lines(): array
    {
        return [self::L1L2, self::L2L3, self::L3L1];
    }

    /** Two phases 120 degrees apart. */
    private static function lineV(float $a, float $b): float
    {
        return sqrt($a ** 2 + $b ** 2 + $a * $b);
    }
}
