<?php

declare(strict_types=1);

namespace App\Stage\Account;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

final readonly class SignOut
{
    public function __invoke(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        // The service worker keeps pages for the basement; they go with the one who saw them.
        return redirect('/login')->withHeaders(['Clear-Site-Data' => '"cache"']);
    }
}
