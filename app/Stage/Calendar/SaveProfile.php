<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\User;
use App\Models\WorkProfile;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Where and when a person works, and what they can do. A person changes their own; a lead everybody's. */
final readonly class SaveProfile
{
    public function __invoke(Request $request, User $person): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        abort_if($person->company_id !== $user->company_id, 404);
        abort_unless($person->id === $user->id || $user->role->mayLead(), 403, 'Only a lead may change the hours of somebody else.');
        $clock = 'regex:/^([01]\d|2[0-3]):[0-5]\d$/D';
        $fields = $request->validate([
            'lat' => ['required', 'numeric', 'between:-90,90'], 'lon' => ['required', 'numeric', 'between:-180,180'],
            'days' => ['required', 'array', 'min:1'], 'days.*' => [Rule::in(array_keys(WorkProfile::DAYS))],
            'from' => ['required', $clock], 'to' => ['required', $clock, 'after:from'], 'skills' => ['nullable', 'string', 'max:200'],
        ], [
            'lat.*' => 'Degrees from -90 to 90, as 42.36.', 'lon.*' => 'Degrees from -180 to 180, as -71.06.',
            'days.*' => 'At least one day.', 'from.*' => 'An hour, as 08:00.', 'to.*' => 'An hour after the first, as 17:00.',
            'skills.*' => 'Words parted by commas: electric, engine.',
        ]);
        $skills = array_values(array_unique(array_filter(array_map(
            static fn(string $one): string => mb_strtolower(mb_substr(trim($one), 0, 40)),
            explode(',', (string) ($fields['skills'] ?? '')),
        ), static fn(string $one): bool => $one !== '')));
        WorkProfile::query()->updateOrCreate(['user_id' => $person->id], [
            'company_id' => $user->company_id, 'lat' => $fields['lat'], 'lon' => $fields['lon'],
            'days' => array_values($fields['days']), 'from' => $fields['from'], 'to' => $fields['to'], 'skills' => $skills,
        ]);

        return redirect()->to(route('calendar', ['person' => $person->id]) . '#people')
            ->with('said', "The hours of $person->name are kept.");
    }
}
