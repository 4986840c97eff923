<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class AddPerson
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'email' => ['required', 'email', 'max:190', 'unique:users,email'],
            'role' => ['required', Rule::enum(Role::class)],
            'password' => ['nullable', 'string', 'min:12', 'max:72'],
        ], [
            'name.required' => 'Reports carry this name: it is needed.',
            'email.required' => 'The address to sign in with is needed.',
            'email.email' => 'This is no address.',
            'email.unique' => 'Somebody signs in with this address already.',
            'password.*' => 'A first password of 12 to 72 characters, or none: then they get a link.',
            'role.*' => 'Lead, technician, apprentice, guest or viewer.',
        ]);
        if (($fields['password'] ?? null) === null) {
            $token = Invitation::make([
                'company_id' => $request->user()?->company_id, 'made_by' => $request->user()?->getAuthIdentifier(),
                'name' => $fields['name'], 'email' => $fields['email'], 'role' => $fields['role'],
            ]);

            return redirect()->route('people')->with('said', "Hand this link to $fields[name]. It works once, for three days.")
                ->with('link', route('join', $token));
        }
        $person = User::query()->create($fields + ['company_id' => $request->user()?->company_id]);

        return redirect()->route('people')->with('said', "$person->name can sign in now.");
    }
}
