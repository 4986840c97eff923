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
 * Failures are counted, by address and by where they come from; a person who knows the password is never locked out by the
 * tries of others for long.
 */
final readonly class SignIn
{
    private const MOST_BY_ADDRESS = 5;
    private const MOST_BY_PLACE = 60;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            ['email' => ['required', 'string', 'max:190'], 'password' => ['required', 'string', 'max:200']],
            ['required' => 'Both the address and the password are needed.'],
        );
        $typed = mb_strtolower($fields['email']);
        $limits = ["sign-in|$typed|{$request->ip()}" => self::MOST_BY_ADDRESS, "sign-in|{$request->ip()}" => self::MOST_BY_PLACE];
        foreach ($limits as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                abort(429, headers: ['Retry-After' => (string) RateLimiter::availableIn($key)]);
            }
        }
        // The database compares addresses without their accents; here they are compared as they are.
        $isThisOne = static fn(User $user): bool => $user->left_at === null && mb_strtolower($user->email) === $typed;
        if (! Auth::attemptWhen($fields, $isThisOne)) {
            foreach (array_keys($limits) as $key) {
                RateLimiter::hit($key);
            }
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear(array_key_first($limits));
        $request->session()->regenerate(); // else a session id set before the sign-in would stay good after it

        return Interrupted::resumed($request) ?? redirect()->intended('/');
    }
}
