<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Two people on one list, whose lines cannot be told apart: the second gets a message before the work of the first is replaced. */
final readonly class Seen
{
    public static function stamp(mixed $kept): string
    {
        return substr(hash('sha256', json_encode($kept, JSON_THROW_ON_ERROR)), 0, 16);
    }

    /** @return \Closure(mixed, string): void */
    public static function asks(Request $request): \Closure
    {
        return static fn(mixed $kept, string $who) => self::check($request, $kept, $who);
    }

    /**
     * To be called with the row locked.
     *
     * @param string $who and when the list was saved last
     *
     * @throws ValidationException once, where the list is another than the form was begun with; saved again, it is taken
     */
    public static function check(Request $request, mixed $kept, string $who): void
    {
        $seen = Typed::text($request, 'seen', 16);
        $stamp = self::stamp($kept);
        if ($seen !== '' && $seen !== $stamp) {
            $request->merge(['seen' => $stamp]);
            throw ValidationException::withMessages([
                'seen' => "This was saved meanwhile, $who. What you typed stands here: look at theirs in another tab, "
                    . 'then save again to keep yours.',
            ]);
        }
    }
}
