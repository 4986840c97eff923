<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Bridge\CircuitFacts;
use App\Http\Typed;
use App\Models\Circuit;
use App\Models\CircuitDraft;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Escapement\Core\RelayLogic\Draft\DraftFault;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Makes one edit of the draft of this person: what comes of it is a whole circuit, or the edit is refused with the reason. */
final readonly class ChangeDraft
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $next = DB::transaction(function () use ($request, $switch, $user): string {
            TransferSwitch::locked($switch->id);
            $stored = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
            $draft = CircuitDraft::query()->firstOrNew(['switch_id' => $switch->id, 'user_id' => $user->id], [
                'company_id' => $switch->company_id, 'history' => [$stored->document], 'place' => 0, 'begun_from' => $stored->stamp,
            ]);
            $name = Typed::text($request, 'edit', 36);
            if ($name !== '' && $draft->last_edit === $name) {
                return Typed::text($request, 'at', 50); // the same press again, over a network that lost the answer
            }
            $verb = Typed::text($request, 'verb', 20);
            if ($verb === 'discard') {
                $draft->delete();

                return '';
            }
            $at = $this->step($draft, $verb) ? Typed::text($request, 'at', 50) : $this->edit($request, $draft);
            $draft->last_edit = $name === '' ? null : $name;
            $draft->save();

            return $at;
        });

        return redirect()->to(route('circuit.edit', ['switch' => $switch] + ($next === '' ? [] : ['at' => $next])) . '#tools');
    }

    private function step(CircuitDraft $draft, string $verb): bool
    {
        if ($verb !== 'undo' && $verb !== 'redo') {
            return false;
        }
        $draft->place = max(0, min(count($draft->history) - 1, $draft->place + ($verb === 'undo' ? -1 : 1)));

        return true;
    }

    private function edit(Request $request, CircuitDraft $draft): string
    {
        $edit = new DraftEdit($request, CircuitFacts::read($draft->document()));
        try {
            $document = CircuitFacts::written($edit->made());
            $circuit = CircuitFacts::read($document);
        } catch (DraftFault $fault) {
            throw ValidationException::withMessages([$fault->field => $fault->getMessage()]);
        } catch (BadInput $bad) {
            $field = self::field($bad->path);
            throw ValidationException::withMessages([$field => ($field === 'edit' ? "$bad->path: " : '') . $bad->getMessage()]);
        }
        $draft->keep($document);

        return $edit->next($circuit);
    }

    /** The field that the reader's path means, where the form has it. */
    private static function field(string $path): string
    {
        $key = substr((string) strrchr($path, '/'), 1);

        return match ($key) {
            'power_from', 'starts', 'supply' => 'supply',
            'id', 'power_i', 'power_ii', 'seconds', 'positions', 'coil', 'rotation', 'preferred' => $key,
            default => 'edit',
        };
    }
}
