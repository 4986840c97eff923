<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Bridge\CircuitProof;
use App\Http\Typed;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\RelayLogic\Repair\CircuitRepair;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Puts in what the proof proposed; the circuit is proved anew at once. */
final readonly class RepairCircuit
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $circuit = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        $repair = CircuitProof::unpacked($circuit->proof)?->repair(Typed::text($request, 'repair', 90));
        if (! $repair instanceof CircuitRepair) {
            throw ValidationException::withMessages([
                'repair' => 'This proposal belongs to an earlier circuit. Look at the findings again.',
            ]);
        }
        /** @var User $user */
        $user = $request->user();
        $seen = $circuit->stamp;
        KeepCircuit::for($switch, $user, CircuitFacts::written($repair->circuit), null, static function (?Circuit $kept) use ($seen): void {
            if ($kept?->stamp !== $seen) {
                throw ValidationException::withMessages(['repair' => 'The circuit was changed meanwhile. Look at the findings again.']);
            }
        });

        return redirect()->route('circuit', $switch)->with('said', "Done: $repair->label. Proved again.");
    }
}
