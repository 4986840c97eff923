<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use App\Stage\Account\SecondFactor\Pending;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

/** Address and password; a person with a second factor is asked for its code before anything opens. */
final readonly class SignIn
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            ['email' => ['required', 'string', 'max:190'], 'password' => ['required', 'string', 'max:200']],
            ['required' => 'Both the address and the password are needed.'],
        );
        $typed = mb_strtolower($fields['email']);
        $tries = new Tries('sign-in', $typed, $request->ip());
        $tries->orWait();
        $awaited = null;
        // The database compares addresses without their accents; here they are compared as they are.
        $opens = static function (User $user) use ($typed, &$awaited): bool {
            $isThisOne = $user->isHere() && mb_strtolower($user->email) === $typed;
            $awaited = $isThisOne && $user->totp_secret !== null ? $user : null; // its password was right, or nobody asks this

            return $isThisOne && $awaited === null;
        };
        if (! Auth::attemptWhen($fields, $opens)) {
            if ($awaited !== null) {
                $tries->succeeded();
                Pending::begin($request, $awaited);

                return redirect()->route('second-factor');
            }
            $tries->failed();
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        $tries->succeeded();
        $request->session()->regenerate(); // else a session id set before the sign-in would stay good after it

        return Interrupted::resumed($request) ?? redirect()->intended('/');
    }
}
