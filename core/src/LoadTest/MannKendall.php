<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** How likely chance alone would order different values as steadily. Rule: docs/rules.md#load-test-trend. */
final class MannKendall
{
    /** The probability that |S| of a random order of n different values is at least that of this one. */
    public static function p(int $n, int $s): float
    {
        if ($s === 0) {
            return 1.0;
        }
        $chances = [1.0];
        for ($size = 2; $size <= $n; $size++) {
            $next = [];
            $sum = 0.0;
            $most = intdiv($size * ($size - 1), 2);
            for ($k = 0; $k <= $most; $k++) {
                $sum += ($chances[$k] ?? 0.0) - ($chances[$k - $size] ?? 0.0);
                $next[$k] = $sum / $size;
            }
            $chances = $next;
        }
        $pairs = intdiv($n * ($n - 1), 2);
        $p = 0.0;
        foreach ($chances as $inversions => $chance) {
            $p += abs($pairs - 2 * $inversions) >= abs($s) ? $chance : 0.0;
        }

        return min(1.0, $p);
    }
}
