<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** A sign-in of which the password was right and the code is still asked for; it waits ten minutes. */
final readonly class Pending
{
    private const KEY = 'second_factor';
    private const WAITS_S = 600;

    public static function begin(Request $request, User $user): void
    {
        $request->session()->regenerate();
        $request->session()->put(self::KEY, ['user' => $user->id, 'at' => Carbon::now()->getTimestamp(), 'password' => self::mark($user)]);
    }

    /** Whose code is asked for; nobody where it waited too long, or the password was changed meanwhile. */
    public static function user(Request $request): ?User
    {
        $kept = $request->session()->get(self::KEY);
        if (! is_array($kept) || ! is_int($kept['at'] ?? null) || Carbon::now()->getTimestamp() - $kept['at'] > self::WAITS_S) {
            return null;
        }
        $user = is_int($kept['user'] ?? null) ? User::query()->whereKey($kept['user'])->first() : null;

        return $user !== null && $user->isHere() && $user->totp_secret !== null && self::mark($user) === ($kept['password'] ?? null)
            ? $user : null;
    }

    /** Tells one password from the next without being it. */
    private static function mark(User $user): string
    {
        return hash('sha256', "pending|$user->password");
    }

    public static function end(Request $request): void
    {
        $request->session()->forget(self::KEY);
    }
}
