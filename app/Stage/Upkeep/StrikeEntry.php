<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\LogbookBook;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Strikes an entry out, with the reason; it stays in sight. */
final readonly class StrikeEntry
{
    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch, LogEntry $entry): RedirectResponse
    {
        abort_if($entry->switch_id !== $switch->id, 404);
        $fields = $request->validate(['why' => ['required', 'string', 'max:300']], ['why.*' => 'Say why it does not count.']);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(fn() => $this->book->strike($switch, $user, $entry, $fields['why']));

        return redirect()->route('logbook', $switch)->with('said', 'Struck out.');
    }
}
