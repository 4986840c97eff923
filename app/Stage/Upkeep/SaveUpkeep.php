<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Http\Seen;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** What is known of a set for its upkeep; an empty field is not known. */
final readonly class SaveUpkeep
{
    private const CLOCK = 'regex:/^([01]\d|2[0-3]):[0-5]\d$/D';

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'installed_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:2000-01-01', 'before_or_equal:today'],
            'cooling' => ['nullable', 'in:air,liquid'],
            'school' => ['sometimes', 'required', 'in:critical,quarterly,semi_annual,annual'],
            'priority' => ['required', 'integer', 'between:1,5'],
            'fuel_days' => ['nullable', 'numeric', 'between:0,999'],
            'battery_installed_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:2000-01-01', 'before_or_equal:today'],
            'selector' => ['nullable', 'in:auto,off,manual,test'],
            'attends_user_id' => ['nullable', Rule::exists('users', 'id')->where('company_id', $switch->company_id)],
            'noise_group' => ['nullable', 'string', 'max:40'],
            'sleep_from' => ['nullable', self::CLOCK, 'required_with:sleep_to'],
            'sleep_to' => ['nullable', self::CLOCK, 'required_with:sleep_from'],
            'business_from' => ['nullable', self::CLOCK, 'required_with:business_to'],
            'business_to' => ['nullable', self::CLOCK, 'required_with:business_from'],
            'lat' => ['nullable', 'numeric', 'between:-90,90', 'required_with:lon'],
            'lon' => ['nullable', 'numeric', 'between:-180,180', 'required_with:lat'],
        ], [
            'attends_user_id.*' => 'Somebody of the company.', 'noise_group.*' => 'Up to 40 letters.',
            'sleep_from.*' => 'An hour, as 22:00; both or none.', 'sleep_to.*' => 'An hour, as 07:00; both or none.',
            'business_from.*' => 'An hour, as 08:00; both or none.', 'business_to.*' => 'An hour, as 17:00; both or none.',
            'lat.*' => 'Degrees from -90 to 90, as 42.36; both or none.', 'lon.*' => 'Degrees from -180 to 180; both or none.',
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
            $upkeep->fill(Arr::except($fields, ['lat', 'lon']) + ['user_id' => $user->id])->save();
            if (array_key_exists('lat', $fields)) {
                $switch->site()->update(['lat' => $fields['lat'], 'lon' => $fields['lon'] ?? null]);
            }
        });

        return redirect()->route('schedule', $switch)->with('said', 'Saved.');
    }
}
