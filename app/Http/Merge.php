<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Validation\ValidationException;

/**
 * Two people on one form. It sends along what it showed (`was`); what only one of the two has changed is taken from that one, and
 * what both have changed is asked back, with both in sight. To be called with the rows of the form locked.
 */
final readonly class Merge
{
    /**
     * @param array<string, string> $now what the form would show by now, by dotted name
     *
     * @throws ValidationException where both have written
     */
    public static function into(Request $request, array $now): void
    {
        $was = json_decode(Typed::text($request, 'was', 200_000), true);
        if (! is_array($was)) {
            return; // a form of before, or a program: what it says is what it wants
        }
        $input = (array) $request->input();
        $both = [];
        foreach ($now as $field => $value) {
            $typed = self::text(Arr::get($input, $field));
            $shown = self::text($was[$field] ?? null);
            if ($value === $shown || $value === $typed || ! array_key_exists($field, $was)) {
                continue;
            }
            if ($typed === $shown) {
                Arr::set($input, $field, $value);
                continue;
            }
            $both[$field] = 'Somebody else wrote ' . ($value === '' ? 'nothing' : "\"$value\"")
                . ' here meanwhile. Save again to keep yours.';
            $was[$field] = $value;
        }
        $request->replace(['was' => json_encode($was, JSON_THROW_ON_ERROR)] + $input);
        if ($both !== []) {
            throw ValidationException::withMessages($both);
        }
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? trim((string) $value) : '';
    }
}
