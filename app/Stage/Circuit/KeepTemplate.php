<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\Circuit;
use App\Models\CircuitTemplate;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Keeps the circuit under a name, so that others of the company can begin with it. */
final readonly class KeepTemplate
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $fields = $request->validate([
            'name' => ['required', 'string', 'max:80', Rule::unique('circuit_templates')->where('company_id', $user->company_id)],
        ], ['name.unique' => 'There is a template of this name already.', 'name.required' => 'Give it a name.']);
        $circuit = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        CircuitTemplate::query()->create([
            'company_id' => $user->company_id, 'user_id' => $user->id, 'name' => $fields['name'],
            'document' => $circuit->document, 'supplies' => $circuit->supplies,
        ]);

        return redirect()->route('circuit', $switch)->with('said', 'Kept as a template of the company.');
    }
}
