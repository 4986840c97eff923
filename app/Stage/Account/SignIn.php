<?php

declare(strict_types=1);

namespace App\Stage\Account;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final readonly class SignIn
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            ['email' => ['required', 'string', 'max:190'], 'password' => ['required', 'string', 'max:200']],
            ['required' => 'Both the address and the password are needed.'],
        );
        if (! Auth::attempt($fields + ['left_at' => null])) {
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        $request->session()->regenerate(); // else a session id set before the sign-in would stay good after it

        return redirect()->intended('/');
    }
}
