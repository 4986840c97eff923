<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\ImportedRun;
use Illuminate\Http\RedirectResponse;

final readonly class RemoveImportedRun
{
    public function __invoke(ImportedRun $imported): RedirectResponse
    {
        $imported->delete();

        return redirect()->route('library')->with(
            'said',
            "The run of $imported->site is removed. Where it was exported it is still whole.",
        );
    }
}
