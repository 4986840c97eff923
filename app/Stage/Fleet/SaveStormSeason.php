<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** From which month to which storms are to be expected where this company works; none of both: it has no such season. */
final readonly class SaveStormSeason
{
    public const MONTHS = [
        1 => 'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December',
    ];

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'storm_from' => ['nullable', 'integer', 'between:1,12', 'required_with:storm_to'],
            'storm_to' => ['nullable', 'integer', 'between:1,12', 'required_with:storm_from'],
        ], ['storm_from.*' => 'Its first month; both months, or none.', 'storm_to.*' => 'Its last month; both months, or none.']);
        /** @var User $user */
        $user = $request->user();
        $user->company->update(['storm_from' => $fields['storm_from'] ?? null, 'storm_to' => $fields['storm_to'] ?? null]);

        return redirect()->route('fleet')->with('said', 'The storm season is saved; the board hatches it.');
    }
}
