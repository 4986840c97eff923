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
}
