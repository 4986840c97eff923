<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\Absence;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Days on which somebody is away, or nobody works. */
final readonly class AddAbsence
{
    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $fields = $request->validate([
            'who' => ['nullable', Rule::exists('users', 'id')->where('company_id', $user->company_id)],
            'away_from' => ['required', 'date_format:Y-m-d'], 'away_to' => ['required', 'date_format:Y-m-d', 'after_or_equal:away_from'],
            'words' => ['required', 'string', 'max:120'],
        ], [
            'who.*' => 'Choose a person, or the whole company.', 'away_from.*' => 'The first day.',
            'away_to.*' => 'The last day, not before the first.', 'words.*' => 'Why, in a few words.',
        ]);
        Absence::query()->create([
            'company_id' => $user->company_id, 'user_id' => $fields['who'] ?? null, 'from' => $fields['away_from'],
            'to' => $fields['away_to'],
            'words' => $fields['words'],
        ]);

        return redirect()->to(route('calendar') . '#people')->with('said', 'The absence is kept.');
    }
}
