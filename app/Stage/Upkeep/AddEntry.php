<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\LogbookBook;
use App\Stage\SiteStanding;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Writes a line into the logbook; the same one sent again is the same. */
final readonly class AddEntry
{
    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        $entry = DB::transaction(function () use ($request, $switch, $user) {
            TransferSwitch::locked($switch->id);
            $entry = (new TypedEntry($switch))->entry($request->all(), $user);
            $this->book->write($switch, $user, $entry);

            return $entry;
        });

        return redirect()->route('logbook', ['switch' => $switch, 'kind' => $entry->kind])->with('said', 'Written down.');
    }
}
