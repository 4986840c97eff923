<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use App\Stage\Account\Pin\Device;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowAccount
{
    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();

        return view('account.account', [
            'sessions' => OpenSession::of($user, $request->session()->getId()), 'tokens' => $user->tokens()->oldest('id')->get(),
            'hasPin' => Device::of($request)->pinOf($user) !== null,
        ]);
    }
}
