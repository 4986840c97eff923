<?php

declare(strict_types=1);

namespace App\Stage\People;

use App\Models\CompanyLogo;
use App\Models\User;
use App\Stage\Picture;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** What stands at the head of every report and owner's page. */
final readonly class SaveCompany
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'company_name' => ['required', 'string', 'max:120'],
            'telephone' => ['nullable', 'string', 'max:40', 'regex:#^[0-9+() ./-]{5,40}$#'],
            'company_address' => ['nullable', 'string', 'max:200'], 'licence' => ['nullable', 'string', 'max:120'],
            'company_edition' => ['nullable', 'string', 'max:120'], 'logo' => ['nullable', 'file', 'max:4096'],
            'without_logo' => ['nullable', 'boolean'],
        ], [
            'company_name.*' => 'The name of the company, up to 120 characters.', 'telephone.*' => 'A telephone number, as +1 555 0142.',
            'company_address.*' => 'Up to 200 characters.', 'licence.*' => 'Up to 120 characters.',
            'company_edition.*' => 'Up to 120 characters.', 'logo.*' => 'A picture of up to 4 MB: JPEG, PNG or WebP.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $file = $request->file('logo');
        $logo = $file instanceof UploadedFile
            ? Picture::of($file) ?? throw ValidationException::withMessages(['logo' => Picture::UNREADABLE]) : null;
        DB::transaction(static function () use ($user, $fields, $logo): void {
            $user->company->update([
                'name' => $fields['company_name'], 'telephone' => $fields['telephone'] ?? null,
                'address' => $fields['company_address'] ?? null, 'licence' => $fields['licence'] ?? null,
                'code_edition' => $fields['company_edition'] ?? null,
            ]);
            if ($logo !== null) {
                CompanyLogo::query()->updateOrCreate(['company_id' => $user->company_id], ['jpeg' => $logo->full]);
            } elseif ((bool) ($fields['without_logo'] ?? false)) {
                CompanyLogo::query()->where('company_id', $user->company_id)->delete();
            }
        });

        return redirect()->route('people')->with('said', 'Reports and owners\' pages carry this from now on.');
    }
}
