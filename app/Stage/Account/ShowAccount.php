<?php

declare(strict_types=1);

namespace App\Stage\Account;

use Illuminate\Contracts\View\View;

final readonly class ShowAccount
{
    public function __invoke(): View
    {
        return view('account.account');
    }
}
