<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** A field as text, whatever was sent in its place: a list or an object counts as nothing. */
final readonly class Typed
{
    public static function text(Request $request, string $key, int $max = 200): string
    {
        $value = $request->input($key);

        return is_scalar($value) ? mb_substr(trim((string) $value), 0, $max) : '';
    }

    /**
     * The lines of a table as they were sent, or as they are kept.
     *
     * @return array<array-key, array<array-key, mixed>>
     */
    public static function lines(mixed $lines): array
    {
        return is_array($lines) ? array_filter($lines, is_array(...)) : [];
    }

    /** @return list<string> what was ticked, or is kept */
    public static function ticked(mixed $values): array
    {
        return is_array($values) ? array_map(strval(...), array_values(array_filter($values, is_scalar(...)))) : [];
    }
}
