<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\Invitation;
use Illuminate\Contracts\View\View;

/** What a one-time link opens: the first company, a place in one, or another password. */
final readonly class ShowJoin
{
    public function __invoke(string $token): View
    {
        return view('account.join', ['invitation' => Invitation::open($token) ?? abort(404), 'token' => $token]);
    }
}
