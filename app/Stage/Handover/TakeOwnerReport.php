<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Http\Middleware\ByLink;
use App\Models\LogEntry;
use App\Models\User;
use App\Stage\LogbookBook;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What an owner tells with two taps: it goes into the logbook under the owner, and onto the board of the company until it is read. */
final readonly class TakeOwnerReport
{
    public const REPORTS = [
        'no_start' => 'it did not start', 'outage' => 'there was an outage, it ran', 'other' => 'something else is wrong',
    ];

    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, string $token): RedirectResponse
    {
        $fields = $request->validate([
            'report' => ['required', 'in:' . implode(',', array_keys(self::REPORTS))], 'words' => ['nullable', 'string', 'max:300'],
        ], ['report.*' => 'Choose what happened.', 'words.*' => 'Up to 300 letters.']);
        $switch = ByLink::run($request)->switch;
        $maker = Auth::user();
        if (! $maker instanceof User) {
            throw new \LogicException('A link has a maker.');
        }
        DB::transaction(fn() => $this->book->write($switch, $maker, new LogEntry([
            'id' => (string) Str::uuid(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $maker->id,
            'kind' => 'alarm', 'at' => now()->startOfSecond(), 'source' => 'owner', 'note' => $fields['words'] ?? null,
            'fields' => ['code' => 'owner: ' . self::REPORTS[$fields['report']]]
                + ($fields['report'] === 'outage' ? ['cleared' => now()->utc()->format('Y-m-d\TH:i:s\Z')] : []),
        ]), 'The owner'));

        return redirect()->route('owner', $token)
            ->with('said', 'It is written down, and your installer sees it. In danger leave the place and call '
            . 'the emergency services.');
    }
}
