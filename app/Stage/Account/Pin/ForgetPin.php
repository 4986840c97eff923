<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class ForgetPin
{
    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        Device::of($request)->pinOf($user)?->delete();

        return redirect()->route('account')->with('said', 'The PIN of this device is forgotten: the password opens.');
    }
}
