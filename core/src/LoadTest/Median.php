<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** The middle of some values; of an even number the mean of the middle two. */
final class Median
{
    /** @param list<float> $values */
    public static function of(array $values): ?float
    {
        if ($values === []) {
            return null;
        }
        sort($values);
        $middle = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$middle] : ($values[$middle - 1] + $values[$middle]) / 2;
    }
}
