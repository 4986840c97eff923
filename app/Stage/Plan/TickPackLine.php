<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Sets a tick to what is wanted, not to its opposite: sent twice is once, and two phones do not undo each other. */
final readonly class TickPackLine
{
    public function __invoke(Request $request, TransferSwitch $switch): View|RedirectResponse
    {
        $fields = $request->validate([
            'key' => ['required', 'string', 'regex:/^[a-z]+(-[a-z0-9]+)+$/', 'max:80'],
            'done' => ['required', 'boolean'],
        ]);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($switch, $user, $fields): void {
            TransferSwitch::locked($switch->id); // ticks from two phones come one after the other
            $pack = Plan::query()->where('switch_id', $switch->id)->first()->pack ?? [];
            $ticks = $pack['ticks'] ?? [];
            if ($fields['done']) {
                $ticks[$fields['key']] ??= ['by' => $user->initials(), 'at' => Carbon::now()->toIso8601ZuluString()];
            } else {
                unset($ticks[$fields['key']]);
            }
            Plan::keep($switch, $user, ['pack' => ['ticks' => $ticks] + $pack]);
        });
        $switch->load(SiteStanding::NEEDS);

        return $request->hasHeader('HX-Request') ? view(
            'plan.partials._pack',
            ['page' => new PackPage($switch)],
        ) : redirect()->route('pack-list', $switch);
    }
}
