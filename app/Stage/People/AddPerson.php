<?php

declare(strict_types=1);

namespace App\Stage\People;

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
            'password' => ['required', 'string', 'min:12', 'max:200'],
        ], [
            'name.required' => 'Reports carry this name: it is needed.',
            'email.required' => 'The address to sign in with is needed.',
            'email.email' => 'This is no address.',
            'email.unique' => 'Somebody signs in with this address already.',
            'password.*' => 'A first password of 12 characters at least; they change it themselves.',
            'role.*' => 'Lead, technician or viewer.',
        ]);
        $person = User::query()->create($fields + ['company_id' => $request->user()?->company_id]);

        return redirect()->route('people')->with('said', "$person->name can sign in now.");
    }
}
