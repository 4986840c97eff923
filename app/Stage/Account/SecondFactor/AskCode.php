<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class AskCode
{
    public function __invoke(Request $request): View|RedirectResponse
    {
        return Pending::user($request) === null ? redirect()->route('login') : view('account.code');
    }
}
