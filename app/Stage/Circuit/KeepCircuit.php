<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Jobs\ProveCircuit;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Puts a circuit in the place of what a switch had, and has it proved anew. */
final readonly class KeepCircuit
{
    /**
     * @param string                         $document as `relay_check` reads it, checked already
     * @param ?string                        $supplies as `relay_play` reads them; null: those that are there
     * @param null|\Closure(?Circuit): void $look     told what is kept by now, with the switch locked; it may refuse
     */
    public static function for(
        TransferSwitch $switch,
        User $user,
        string $document,
        ?string $supplies = null,
        ?\Closure $look = null,
    ): Circuit {
        $circuit = DB::transaction(static function () use ($switch, $user, $document, $supplies, $look): Circuit {
            TransferSwitch::locked($switch->id);
            $kept = Circuit::query()->with('user')->where('switch_id', $switch->id)->first();
            if ($look !== null) {
                $look($kept);
            }
            $kept ??= new Circuit(['company_id' => $switch->company_id, 'switch_id' => $switch->id, 'supplies' => '{}', 'times' => '{}']);
            $kept->fill([
                'user_id' => $user->id, 'document' => $document, 'stamp' => CircuitFacts::stamp($document),
                'proof_state' => 'waiting', 'proof_done' => 0, 'proof_of' => 0, 'proof_problem' => null,
                'proof' => null, 'stops' => null, 'warns' => null,
            ] + ($supplies === null ? [] : ['supplies' => $supplies]))->save();

            return $kept;
        });
        ProveCircuit::begin($circuit);

        return $circuit;
    }
}
