<?php

declare(strict_types=1);

namespace Escapement\Core\Internal;

/** Comparison of computed numbers with a slack for what binary fractions lose. Rule: loads §0.2. */
final class Slack
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
