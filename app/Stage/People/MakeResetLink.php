<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\Invitation;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** A link by which somebody of the company chooses another password; shown once, to be handed over. */
final readonly class MakeResetLink
{
    public function __invoke(Request $request, int $person): RedirectResponse
    {
        $found = User::query()->where('company_id', $request->user()?->company_id)->findOrFail($person);
        $token = Invitation::make([
            'company_id' => $found->company_id, 'user_id' => $found->id, 'made_by' => $request->user()?->getAuthIdentifier(),
            'role' => $found->role,
        ]);

        return redirect()->route('people')->with('said', "Hand this link to $found->name. It works once, for three days.")
            ->with('link', route('join', $token));
    }
}
