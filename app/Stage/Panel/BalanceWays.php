<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Models\TransferSwitch;
use App\Models\Way;
use App\Stage\SiteStanding;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Puts ways on other phases as the proposal says, if it is still the same proposal. */
final readonly class BalanceWays
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        $moved = DB::transaction(static function () use ($request, $switch): int {
            TransferSwitch::locked($switch->id);
            $plan = (new WaysPage($switch))->proposal();
            $moves = $plan->moves ?? [];
            if ($moves === [] || json_encode($moves) !== $request->input('moves')) {
                throw ValidationException::withMessages(['moves' => 'The ways were changed meanwhile. Look at the new proposal.']);
            }
            foreach ($moves as $move) {
                Way::query()->where('switch_id', $switch->id)->where('name', $move['id'])->update(['connects' => $move['to']]);
            }

            return count($moves);
        });

        return redirect()->route('ways', $switch)->with('said', "$moved ways moved on the plan. Move them on the board de-energized.");
    }
}
