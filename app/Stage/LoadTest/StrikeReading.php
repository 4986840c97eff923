<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadReading;
use App\Models\LoadTest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Strikes a reading out, with the reason; it stays in sight. */
final readonly class StrikeReading
{
    public function __invoke(Request $request, LoadTest $test, LoadReading $reading): RedirectResponse
    {
        abort_if($reading->load_test_id !== $test->id, 404);
        abort_if($test->isClosed(), 409, 'This test is closed; its readings stay as they are.');
        $fields = $request->validate(['why' => ['required', 'string', 'max:300']], ['why.*' => 'Say why it does not count.']);
        $reading->update(['struck_why' => $fields['why']]);

        return redirect()->route('load-test', $test)->with('said', 'The reading is struck out.');
    }
}
