<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/** Comparison of computed numbers with a slack for what binary fractions lose. Rule: docs/rules.md#conventions. */
final class Tolerance
{
    public static function exceeds(int|float $a, int|float $b): bool
    {
        return $a > $b + 1e-9 * max(1, abs($b));
    }

    public static function isBelow(int|float $a, int|float $b): bool
    {
        return self::exceeds($b, $a);
    }
}
