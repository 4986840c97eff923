<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Commissioning\Procedure\InstallationSteps;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class BeginRun
{
    public function __construct(private OpenRun $opener) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate(
            [
                'press' => ['nullable', 'uuid'], 'reaction_ms' => ['nullable', 'integer', 'between:0,60000'],
                'hazards_read' => ['accepted'], 'options' => ['array'], 'options.*' => ['boolean'],
                'torque_unit' => ['nullable', Rule::in(array_keys(InstallationSteps::UNITS))],
            ],
            [
                'hazards_read.accepted' => 'Read the hazards first, then tick that you did.',
                'reaction_ms.*' => 'Reaction time in milliseconds, 0 to 60 000.',
            ],
        );
        /** @var User $user */
        $user = $request->user();

        return redirect()->route(
            'run',
            $this->opener->open(
                $switch,
                $user,
                (int) ($fields['reaction_ms'] ?? 500),
                $fields['options'] ?? [],
                $fields['torque_unit'] ?? null,
                $fields['press'] ?? null,
            ),
        );
    }
}
