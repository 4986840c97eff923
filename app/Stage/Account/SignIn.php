<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;

/**
 * Failures are counted, by address and by where they come from. From the fifth on each one makes the next try wait twice as long,
 * there and for that address only: a person who knows the password is never locked out by the tries of others.
 */
final readonly class SignIn
{
    private const FREE_TRIES = 5;
    private const FIRST_WAIT_S = 30;
    private const LONGEST_WAIT_S = 900;
    private const COUNTED_S = 3600;
    private const MOST_BY_PLACE = 60;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            ['email' => ['required', 'string', 'max:190'], 'password' => ['required', 'string', 'max:200']],
            ['required' => 'Both the address and the password are needed.'],
        );
        $typed = mb_strtolower($fields['email']);
        $tries = "sign-in|$typed|{$request->ip()}";
        $place = "sign-in|{$request->ip()}";
        foreach (["$tries|wait" => 1, $place => self::MOST_BY_PLACE] as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                abort(429, headers: ['Retry-After' => (string) RateLimiter::availableIn($key)]);
            }
        }
        // The database compares addresses without their accents; here they are compared as they are.
        $isThisOne = static fn(User $user): bool => $user->left_at === null && mb_strtolower($user->email) === $typed;
        if (! Auth::attemptWhen($fields, $isThisOne)) {
            RateLimiter::hit($place);
            $beyond = RateLimiter::hit($tries, self::COUNTED_S) - self::FREE_TRIES;
            if ($beyond >= 0) {
                RateLimiter::hit("$tries|wait", (int) min(self::LONGEST_WAIT_S, self::FIRST_WAIT_S * 2 ** $beyond));
            }
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($tries);
        RateLimiter::clear("$tries|wait");
        $request->session()->regenerate(); // else a session id set before the sign-in would stay good after it

        return Interrupted::resumed($request) ?? redirect()->intended('/');
    }
}
