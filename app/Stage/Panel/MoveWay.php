<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Models\Way;
use Escapement\Core\Panel\PhaseBalance\PanelWay;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Puts one way on another phase of the plan, if it still stands where the person saw it. */
final readonly class MoveWay
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        [$name, $from, $to] = array_map(
            static fn(string $key): string => Typed::text($request, $key, 60),
            ['way', 'from', 'to'],
        );
        DB::transaction(static function () use ($switch, $name, $from, $to): void {
            TransferSwitch::locked($switch->id);
            $kept = Way::query()->where('switch_id', $switch->id)->where('name', $name)->first();
            if ($kept === null || $kept->connects !== $from) {
                throw ValidationException::withMessages(['moves' => "$name was changed meanwhile. Look where it stands now."]);
            }
            if ($kept->locked) {
                throw ValidationException::withMessages(['moves' => "$name stays on its phase: it is marked so."]);
            }
            if (! in_array($to, PanelWay::optionsOf($from), true)) {
                throw ValidationException::withMessages(['moves' => "$name cannot stand on $to: it has as many poles as before."]);
            }
            $kept->update(['connects' => $to]);
        });

        return redirect()->to(route('ways', $switch) . '#balance')->with(
            'said',
            "$name is on $to on the plan. Move it on the board de-energized.",
        );
    }
}
