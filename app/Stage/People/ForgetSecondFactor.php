<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** For a person of the company who has lost the phone and the recovery codes; wherever they are signed in ends. */
final readonly class ForgetSecondFactor
{
    public function __invoke(Request $request, int $person): RedirectResponse
    {
        $found = User::query()->where('company_id', $request->user()?->company_id)->findOrFail($person);
        $found->withoutSecondFactor();
        $found->endSessions();

        return redirect()->route('people')->with(
            'said',
            "$found->name signs in with the password alone now, and can set the second factor up anew.",
        );
    }
}
