<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Jobs\ProveCircuit;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;

/** Starts the search again that was cancelled or failed. */
final readonly class ProveAgain
{
    public function __invoke(TransferSwitch $switch): RedirectResponse
    {
        $circuit = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        if (! $circuit->isBeingProved()) {
            $circuit->update(['proof_state' => 'waiting', 'proof_done' => 0, 'proof_of' => 0, 'proof_problem' => null]);
            ProveCircuit::begin($circuit);
        }

        return redirect()->route('circuit', $switch);
    }
}
