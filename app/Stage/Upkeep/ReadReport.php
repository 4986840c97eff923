<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;

/** A report of the owner was read: it leaves the board and stays in the logbook. */
final readonly class ReadReport
{
    public function __invoke(TransferSwitch $switch, LogEntry $entry): RedirectResponse
    {
        abort_if($entry->switch_id !== $switch->id, 404);
        $entry->seen_at ?? $entry->update(['seen_at' => now()]);

        return redirect()->route('logbook', $switch)->with('said', 'Read.');
    }
}
