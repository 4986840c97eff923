<?php

declare(strict_types=1);

namespace App\Stage\Notices;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** How a person wants to be told. */
final readonly class ChooseNotices
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(['told' => ['required', 'in:never,daily,once']], ['told.*' => 'Choose one.']);
        /** @var User $user */
        $user = $request->user();
        $user->update(['told' => $fields['told']]);

        return redirect()->route('notices')->with('said', 'Kept.');
    }
}
