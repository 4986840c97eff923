<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\Recording;
use Illuminate\Http\RedirectResponse;

final readonly class RemoveRecording
{
    public function __invoke(Recording $recording): RedirectResponse
    {
        abort_if($recording->load_test_id !== null, 409, 'This recording is evidence of a load test. It stays.');
        $recording->delete();

        return redirect()->route('library')->with('said', "\"$recording->name\" is removed.");
    }
}
