<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class ChangePassword
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'current_password' => ['required', 'current_password'],
            'password' => ['required', 'string', 'min:12', 'max:200', 'confirmed', self::isHashedWhole(...)],
        ], [
            'current_password.current_password' => 'This is not the password you have now.',
            'password.min' => 'A password needs 12 characters at least; a sentence is easiest to keep.',
            'password.confirmed' => 'The two new passwords are not the same.',
            'required' => 'This is needed.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $user->update(['password' => $fields['password']]);
        $request->session()->regenerate(destroy: true); // else the cookie of before would stay good
        $user->endSessions($request->session()->getId());

        return redirect()->route('account')->with(
            'said',
            'The password is changed. Wherever else you were signed in, you are not any more.',
        );
    }

    /** What bcrypt would not read of a password may not be taken for a part of it. */
    private static function isHashedWhole(string $field, mixed $value, \Closure $fail): void
    {
        if (is_string($value) && strlen($value) > 72) {
            $fail('Up to 72 letters; a letter with an accent counts twice.');
        }
    }
}
