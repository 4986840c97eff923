<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\Role;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Another role, or gone and back. A lead cannot change the own sign-in: the company would lock itself out. */
final readonly class ChangePerson
{
    public function __invoke(Request $request, int $person): RedirectResponse
    {
        $found = User::query()->where('company_id', $request->user()?->company_id)->findOrFail($person);
        if ($found->id === $request->user()?->id) {
            throw ValidationException::withMessages(["role.$found->id" => 'Another lead has to change you.']);
        }
        $fields = $request->validate(['role' => ['required', Rule::enum(Role::class)], 'is_here' => ['nullable', 'boolean']]);
        $isHere = (bool) ($fields['is_here'] ?? false);
        $hasOther = $found->role !== Role::from($fields['role']) || $isHere !== ($found->left_at === null);
        $found->update(['role' => $fields['role'], 'left_at' => $isHere ? null : $found->left_at ?? Carbon::now()]);

        if ($hasOther) {
            $found->endSessions();
        }

        return redirect()->route('people')->with(
            'said',
            $isHere ? "$found->name is {$found->role->value} now." : "$found->name cannot sign in any more; the records keep the name.",
        );
    }
}
