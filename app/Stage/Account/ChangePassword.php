<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Http\NewPassword;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class ChangePassword
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'current_password' => ['bail', 'required', 'string', 'current_password'],
            'password' => NewPassword::rules(),
        ], [
            'current_password.current_password' => 'This is not the password you have now.',
            'current_password.required' => 'This is needed.',
        ] + NewPassword::messages());
        /** @var User $user */
        $user = $request->user();
        $user->update(['password' => $fields['password']]);
        $request->session()->regenerate(destroy: true); // else the cookie of before would stay good
        $user->endSessions($request->session()->getId());
        AccountChanged::tell($user, 'Your password was changed.', $request);

        return redirect()->route('account')->with(
            'said',
            'The password is changed. Wherever else you were signed in, you are not any more.',
        );
    }
}
