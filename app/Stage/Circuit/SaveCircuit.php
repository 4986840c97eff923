<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\Circuit;
use App\Models\CircuitDraft;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** The draft becomes the circuit of the switch, and is proved. */
final readonly class SaveCircuit
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $draft = CircuitDraft::query()->where('switch_id', $switch->id)->where('user_id', $user->id)->firstOrFail();
        $takesOver = $request->boolean('take');
        KeepCircuit::for($switch, $user, $draft->document(), null, static function (?Circuit $kept) use ($draft, $takesOver): void {
            if ($kept !== null && $kept->stamp !== $draft->begun_from && ! $takesOver) {
                throw ValidationException::withMessages([
                    'edit' => "This circuit was saved meanwhile by {$kept->user->name}. Your draft stands here: look at theirs in another "
                        . 'tab, then save again to put yours in its place.',
                ]);
            }
            $draft->delete();
        });

        return redirect()->route('circuit', $switch)->with('said', 'The circuit is saved.');
    }
}
