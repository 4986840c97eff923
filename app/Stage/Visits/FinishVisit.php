<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Models\User;
use App\Models\Visit;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** A visit is done, or is not to be made at all. What was done is written into the logbook of the site. */
final readonly class FinishVisit
{
    public function __invoke(Request $request, Visit $visit): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($visit, $user): void {
            $locked = Visit::locked($visit->id);
            if ($locked->done_at === null) {
                $locked->update(['done_at' => now(), 'done_by' => $user->id, 'sequence' => $locked->sequence + 1]);
            }
        });

        return redirect()->route('logbook', ['switch' => $visit->switch_id, 'kind' => 'service'])
            ->with('said', 'The visit is done. Write down here what was done.');
    }
}
