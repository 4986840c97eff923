<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\Recording;
use Illuminate\Http\RedirectResponse;

final readonly class RemoveRecording
{
    public function __invoke(Recording $recording): RedirectResponse
    {
        $recording->delete();

        return redirect()->route('library')->with('said', "\"$recording->name\" is removed.");
    }
}
