<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Models\User;
use Escapement\Core\Commissioning\MarkEvent;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** A mark from paper or memory, with the reason why it comes late. Works without script. */
final readonly class AddLateMark
{
    /** A day: what lies further from the start of a run is a slip, and belongs to another run. */
    private const MOST_S = 86_400;

    public function __construct(private KeepMarks $keeper) {}

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $fields = $request->validate([
            'event' => ['required', Rule::enum(MarkEvent::class)],
            'at_s' => ['required', 'numeric', 'between:0,' . self::MOST_S],
            'late_reason' => ['required', 'string', 'max:200'],
            'note' => ['nullable', 'string', 'max:500'],
        ], [
            'event.*' => 'Say what happened.',
            'at_s.*' => 'Seconds since the start of the run, from 0 to 86 400: no run is longer than a day.',
            'late_reason.required' => 'Say where this time comes from: a paper, a film, a second watch.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $this->keeper->keep($run, $user, [[
            'id' => (string) Str::uuid(), 'event' => $fields['event'], 'at_ms' => (int) round(1000 * (float) $fields['at_s']),
            'late_reason' => $fields['late_reason'], 'note' => $fields['note'] ?? null, 'client_wall' => null,
        ]]);

        return redirect()->route('run', $run)->with('said', 'The late mark is in the record.');
    }
}
