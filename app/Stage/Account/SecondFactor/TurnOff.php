<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

use App\Models\User;
use App\Stage\Account\AccountChanged;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class TurnOff
{
    public function __invoke(Request $request): RedirectResponse
    {
        $request->validate(
            ['password_now' => ['bail', 'required', 'string', 'current_password']],
            ['password_now.*' => 'This is not the password you have now.'],
        );
        /** @var User $user */
        $user = $request->user();
        $user->withoutSecondFactor();
        AccountChanged::tell($user, 'Your second factor was turned off.', $request);

        return redirect()->route('account')->with('said', 'The second factor is off: the password alone opens.');
    }
}
