<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\Units;
use App\Http\Seen;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class SaveMobile
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'battery_kwh' => ['nullable', 'numeric', 'between:0.01,1000'],
            'stations' => ['nullable', 'integer', 'between:1,20'],
            'chemistry' => ['required', 'in:lfp,nmc,agm,lead'],
            'inverter_kw' => ['nullable', 'numeric', 'between:0.1,100'],
            'inverter_a' => ['nullable', 'numeric', 'between:1,400'],
            'charger' => ['nullable', 'string', 'max:64'],
            'jumper' => ['nullable', 'boolean'],
            'maker_allows' => ['nullable', 'in:yes,no,unknown'],
            'alternate_ever_240' => ['nullable', 'boolean'],
            'feeder_neutral_a' => ['nullable', 'required_if:jumper,1', 'numeric', 'between:1,400'],
            'cord_m' => ['nullable', 'numeric', 'between:0.1,500'],
            'cord_size' => ['nullable', 'in:14,12,10,8,6,4,2'],
            'cord_breaker_a' => ['nullable', 'numeric', 'between:5,200'],
        ], [
            'battery_kwh.*' => 'Kilowatt-hours of one station, 0.01 to 1000.',
            'stations.*' => 'How many, 1 to 20.',
            'inverter_kw.*' => 'Continuous kilowatts, 0.1 to 100.',
            'inverter_a.*' => 'Amps of its output breaker, 1 to 400.',
            'feeder_neutral_a.required_if' => 'The jumper adds both legs in this neutral: its ampacity is needed.',
            'feeder_neutral_a.*' => 'Amps it may carry, 1 to 400.',
            'cord_m.*' => 'Its length, from 0.1.',
            'cord_breaker_a.*' => 'Amps of the breaker ahead of it, 5 to 200.',
        ]);
        if (isset($fields['cord_m'])) {
            $fields['cord_m'] = round((new Units($switch->site->units))->toMetres((float) $fields['cord_m']), 3);
        }
        /** @var User $user */
        $user = $request->user();
        Plan::keep(
            $switch,
            $user,
            ['mobile' => array_filter($fields, static fn(mixed $value): bool => $value !== null)],
            Seen::asks($request),
        );

        return redirect()->route('mobile', $switch)->with('said', 'Saved.');
    }
}
