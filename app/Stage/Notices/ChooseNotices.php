<?php

declare(strict_types=1);

namespace App\Stage\Notices;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** How a person wants to get notices. */
final readonly class ChooseNotices
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(['notify' => ['required', 'in:never,daily,at_once']], ['notify.*' => 'Choose one.']);
        /** @var User $user */
        $user = $request->user();
        $user->update(['notify' => $fields['notify']]);

        return redirect()->route('notices')->with('said', 'Kept.');
    }
}
