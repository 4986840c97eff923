<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use Illuminate\Contracts\View\View;

final readonly class AskPassword
{
    public function __invoke(): View
    {
        return view('account.password');
    }
}
