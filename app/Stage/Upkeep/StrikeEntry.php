<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Strikes an entry out, with the reason; it stays in sight. */
final readonly class StrikeEntry
{
    public function __invoke(Request $request, TransferSwitch $switch, LogEntry $entry): RedirectResponse
    {
        abort_if($entry->switch_id !== $switch->id, 404);
        $fields = $request->validate(['why' => ['required', 'string', 'max:300']], ['why.*' => 'Say why it does not count.']);
        if ($entry->struck_why === null) {
            $entry->update(['struck_why' => $fields['why']]);
        }

        return redirect()->route('logbook', $switch)->with('said', 'Struck out.');
    }
}
