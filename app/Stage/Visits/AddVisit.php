<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Models\User;
use App\Models\Visit;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** A visit for anything: a new starter, an owner who asks, a fault. */
final readonly class AddVisit
{
    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $clock = 'regex:/^([01]\d|2[0-3]):[0-5]\d$/D';
        $fields = $request->validate([
            'switch' => ['required', Rule::exists('switches', 'id')->where('company_id', $user->company_id)],
            'what' => ['required', 'string', 'max:120'], 'duration_min' => ['required', 'integer', 'between:1,720'],
            'skills' => ['nullable', 'string', 'max:120'], 'priority' => ['required', 'integer', 'between:1,5'],
            'due' => ['nullable', 'date_format:Y-m-d'], 'earliest' => ['nullable', 'date_format:Y-m-d'],
            'latest' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:earliest'],
            'from' => ['nullable', $clock], 'to' => ['nullable', $clock, 'after:from'], 'note' => ['nullable', 'string', 'max:300'],
        ], [
            'switch.*' => 'Choose a site.', 'what.*' => 'What is to be done, in a few words.', 'duration_min.*' => 'Minutes, 1 to 720.',
            'priority.*' => 'From 1 to 5, the most urgent.', 'due.*' => 'A day.', 'earliest.*' => 'A day.',
            'latest.*' => 'A day, not before the first.', 'from.*' => 'An hour, as 08:00.', 'to.*' => 'An hour after the first.',
            'note.*' => 'Up to 300 letters.', 'skills.*' => 'Words parted by commas.',
        ]);
        Visit::query()->create([
            'company_id' => $user->company_id, 'switch_id' => (int) $fields['switch'], 'items' => [$fields['what']],
            'duration_min' => (int) $fields['duration_min'], 'priority' => (int) $fields['priority'],
            'skills' => array_values(array_filter(array_map(
                static fn(string $one): string => mb_strtolower(trim($one)),
                explode(',', (string) ($fields['skills'] ?? '')),
            ), static fn(string $one): bool => $one !== '')),
            'due' => $fields['due'] ?? null, 'earliest' => $fields['earliest'] ?? null, 'latest' => $fields['latest'] ?? null,
            'from' => $fields['from'] ?? '00:00', 'to' => $fields['to'] ?? '24:00', 'note' => $fields['note'] ?? 'asked for',
        ]);

        return redirect()->route('visits')->with('said', 'The visit is in the list; it gets its place with the next plan.');
    }
}
