<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\Circuit;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;

final readonly class CancelProof
{
    public function __invoke(TransferSwitch $switch): RedirectResponse
    {
        Circuit::query()->where('switch_id', $switch->id)->whereIn('proof_state', ['waiting', 'running'])->update([
            'proof_state' => 'cancelled',
        ]);

        return redirect()->route('circuit', $switch);
    }
}
