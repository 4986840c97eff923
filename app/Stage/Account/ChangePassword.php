<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

final readonly class ChangePassword
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'current_password' => ['required', 'current_password'],
            'password' => ['required', 'string', 'min:12', 'max:200', 'confirmed'],
        ], [
            'current_password.current_password' => 'This is not the password you have now.',
            'password.min' => 'A password needs 12 characters at least; a sentence is easiest to keep.',
            'password.confirmed' => 'The two new passwords are not the same.',
            'required' => 'This is needed.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $user->update(['password' => $fields['password']]);
        Auth::logoutOtherDevices($fields['password']);
        $request->session()->regenerate();

        return redirect()->route('account')->with('said', 'The password is changed.');
    }
}
