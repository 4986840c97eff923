<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Http\Seen;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** What is known of a set for its upkeep; an empty field is not known. */
final readonly class SaveUpkeep
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'installed_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:2000-01-01', 'before_or_equal:today'],
            'cooling' => ['nullable', 'in:air,liquid'],
            'school' => ['required', 'in:critical,quarterly,semi_annual,annual'],
            'priority' => ['required', 'integer', 'between:1,5'],
            'fuel_days' => ['nullable', 'numeric', 'between:0,999'],
            'battery_installed_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:2000-01-01', 'before_or_equal:today'],
            'selector' => ['nullable', 'in:auto,off,manual,test'],
        ], [
            'installed_on.*' => 'A day that is not in the future.',
            'battery_installed_on.*' => 'A day that is not in the future.',
            'fuel_days.*' => 'Days at storm load, 0 to 999.',
            'priority.*' => 'From 1 to 5, the most urgent.',
        ]);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($request, $switch, $fields, $user): void {
            TransferSwitch::locked($switch->id);
            $upkeep = Upkeep::query()->firstOrNew(['switch_id' => $switch->id], ['company_id' => $switch->company_id]);
            Seen::check($request, $upkeep->exists ? $upkeep->updated_at?->toIso8601String() : null, 'by somebody else of the company');
            $upkeep->fill($fields + ['user_id' => $user->id])->save();
        });

        return redirect()->route('schedule', $switch)->with('said', 'Saved.');
    }
}
