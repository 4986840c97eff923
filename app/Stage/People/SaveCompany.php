<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What stands at the head of every report and owner's page. */
final readonly class SaveCompany
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'company_name' => ['required', 'string', 'max:120'],
            'telephone' => ['nullable', 'string', 'max:40', 'regex:#^[0-9+() ./-]{5,40}$#'],
            'company_address' => ['nullable', 'string', 'max:200'], 'licence' => ['nullable', 'string', 'max:120'],
        ], [
            'company_name.*' => 'The name of the company, up to 120 characters.', 'telephone.*' => 'A telephone number, as +1 555 0142.',
            'company_address.*' => 'Up to 200 characters.', 'licence.*' => 'Up to 120 characters.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $user->company->update([
            'name' => $fields['company_name'], 'telephone' => $fields['telephone'] ?? null,
            'address' => $fields['company_address'] ?? null, 'licence' => $fields['licence'] ?? null,
        ]);

        return redirect()->route('people')->with('said', 'Reports and owners\' pages carry this from now on.');
    }
}
