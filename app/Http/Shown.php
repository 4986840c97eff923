<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Contracts\Support\DeferringDisplayableValue;
use Illuminate\Contracts\Support\Htmlable;

/** What a view prints. A form that came back with a list where it has one field says so at the field, which is empty then. */
final class Shown
{
    /** @param mixed $value what stands in {{ }} */
    public static function text(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_scalar($value) => e((string) $value),
            $value instanceof \BackedEnum, $value instanceof Htmlable, $value instanceof DeferringDisplayableValue => e($value),
            $value instanceof \Stringable => e((string) $value),
            default => '',
        };
    }
}
