<?php

declare(strict_types=1);

namespace App\Stage\Account;

use Illuminate\Contracts\View\View;

final readonly class ShowSignIn
{
    public function __invoke(): View
    {
        return view('account.sign-in', ['showDemo' => (bool) config('app.show_demo_sign_in')]);
    }
}
