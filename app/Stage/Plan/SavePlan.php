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

/** What the drawing needs beside the survey, and the choice of what is carried. */
final readonly class SavePlan
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $units = new Units($switch->site->units);
        $fields = $request->validate([
            'generator_breaker_a' => ['nullable', 'numeric', 'between:1,6000'],
            'fault_ka' => ['nullable', 'numeric', 'between:0.1,200'],
            'withstand_ka' => ['nullable', 'numeric', 'between:0.1,200'],
            'transformer_kva' => ['nullable', 'required_with:transformer_z_pct', 'numeric', 'between:0.1,100000'],
            'transformer_z_pct' => ['nullable', 'required_with:transformer_kva', 'numeric', 'between:0.1,20'],
            'generator_xd2_pct' => ['nullable', 'numeric', 'between:1,100'],
            'motor_a' => ['nullable', 'numeric', 'between:0,10000'],
            'design' => ['nullable', 'numeric', 'between:' . round($units->fromCelsius(-60)) . ',' . round($units->fromCelsius(70))],
            'grounds_on_neutral_bar' => ['nullable', 'integer', 'between:0,200'],
            'ground_bar_free' => ['nullable', 'integer', 'between:0,200'],
            'neutral_switched' => ['nullable', 'boolean'], 'generator_bonded' => ['nullable', 'boolean'],
            'panel_bonded' => ['nullable', 'boolean'], 'service_bonded' => ['nullable', 'boolean'],
            'floor_area' => ['nullable', 'numeric', 'between:1,1000000'],
            'measured_peak_kw' => ['nullable', 'numeric', 'between:0.1,100000'],
            'measured_days' => ['nullable', 'integer', 'between:1,730'],
            'measured_hvac' => ['nullable', 'boolean'],
            'use_demand' => ['nullable', 'boolean'], 'code_edition' => ['nullable', 'string', 'max:120'],
            'choice' => ['nullable', 'in:whole,managed,essential'],
            'choice_reason' => ['nullable', 'string', 'max:300'],
        ], [
            'generator_breaker_a.*' => 'Amps of the output breaker, from 1 to 6000.',
            'fault_ka.*' => 'Kiloamps from the utility, 0.1 to 200.',
            'withstand_ka.*' => 'Kiloamps from the label, 0.1 to 200.',
            'transformer_kva.*' => 'Kilovolt-amperes from its plate, 0.1 to 100 000, together with its impedance.',
            'transformer_z_pct.*' => 'Percent from its plate, 0.1 to 20, together with its rating.',
            'generator_xd2_pct.*' => 'Percent from the maker\'s data, 1 to 100.',
            'motor_a.*' => 'Amps in sum, 0 to 10 000.',
            'floor_area.*' => 'Floor area, from 1.',
            'measured_peak_kw.*' => 'Kilowatts, from 0.1.',
            'measured_days.*' => 'Whole days, 1 to 730.',
            'code_edition.*' => 'Up to 120 characters.',
            'design.*' => 'In ' . $units->temperature() . ', from ' . round($units->fromCelsius(-60)) . ' to '
                . round($units->fromCelsius(70)) . '.',
            'grounds_on_neutral_bar.*' => 'How many, from 0.', 'ground_bar_free.*' => 'How many, from 0.',
        ]);
        $fields['floor_area_m2'] = isset($fields['floor_area']) ? round($units->toSquareMetres((float) $fields['floor_area']), 2) : null;
        $fields['design_c'] = isset($fields['design']) ? round($units->toCelsius((float) $fields['design']), 1) : null;
        unset($fields['floor_area'], $fields['design']);
        /** @var User $user */
        $user = $request->user();
        $choice = ['choice' => $fields['choice'] ?? null, 'choice_reason' => $fields['choice_reason'] ?? null];
        Plan::keep(
            $switch,
            $user,
            ['facts' => array_intersect_key($switch->plan->facts ?? [], ['panels' => true]) + array_filter(
                array_diff_key($fields, $choice),
                static fn(mixed $value): bool => $value !== null,
            )] + $choice,
            Seen::asks($request),
        );

        return redirect()->route('plan', $switch)->with('said', 'The plan is saved.');
    }
}
