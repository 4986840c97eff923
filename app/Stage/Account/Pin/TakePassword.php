<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Http\Typed;
use App\Models\User;
use App\Stage\Account\Interrupted;
use App\Stage\Account\SecondFactor\TakeCode;
use App\Stage\Account\Tries;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/** The password, and the code of the second factor where the person has one, make a whole sign-in of one by PIN. */
final readonly class TakePassword
{
    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $tries = new Tries('sign-in', mb_strtolower($user->email), $request->ip());
        $tries->orWait();
        $wrong = match (true) {
            ! Hash::check(Typed::text($request, 'password'), $user->password) => ['password' => 'This is not your password.'],
            $user->totp_secret !== null && ! self::hasCode($user, $request) => [
                'code' => 'This code is not the one of now, or was used before.',
            ],
            default => null,
        };
        if ($wrong !== null) {
            $tries->failed();
            throw ValidationException::withMessages($wrong);
        }
        $tries->succeeded();
        $request->session()->regenerate();
        FullSignIn::completed($request);

        return Interrupted::resumed($request) ?? redirect()->intended('/');
    }

    private static function hasCode(User $user, Request $request): bool
    {
        $typed = (string) preg_replace('/\s+/', '', Typed::text($request, 'code', 40));

        return DB::transaction(static fn(): bool => TakeCode::used(User::locked($user->id), $typed) !== null);
    }
}
