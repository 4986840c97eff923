<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/** Comparison with a slack in proportion to the numbers. Rule: docs/rules.md#wiring-conventions. */
final class RelativeTolerance
{
    public static function isAtLeast(int|float $a, int|float $b): bool
    {
        return $a >= $b - 1e-9 * max(abs($a), abs($b));
    }

    public static function isOver(int|float $a, int|float $b): bool
    {
        return ! self::isAtLeast($b, $a);
    }
}
