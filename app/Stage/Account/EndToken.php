<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class EndToken
{
    public function __invoke(Request $request, int $key): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        abort_if($user->tokens()->whereKey($key)->delete() === 0, 404);

        return redirect()->route('account')->with('said', 'That program is shut out.');
    }
}
