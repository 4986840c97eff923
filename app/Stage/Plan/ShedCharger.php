<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;

/** The fix of the charging loop: the charger is among the loads that are shed, and must not run. */
final readonly class ShedCharger
{
    public function __invoke(TransferSwitch $switch): RedirectResponse
    {
        $name = $switch->plan->mobile['charger'] ?? null;
        $shed = DB::transaction(static function () use ($switch, $name): int {
            $switch->noteStatusChange(); // the next write goes past the models

            return is_string($name) ? $switch->loads()->where('name', $name)->update(['shed' => true, 'must_run' => false]) : 0;
        });

        return redirect()->route('mobile', $switch)->with(
            'said',
            $shed === 0 ? 'There is no charger among the loads.' : "$name is shed first now. The rehearsal plays with it so.",
        );
    }
}
