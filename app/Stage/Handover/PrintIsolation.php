<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\SwitchFacts;
use App\Models\Run;
use App\Stage\Commissioning\ProcedurePage;
use App\Stage\Paper;
use App\Stage\Plan\PlanLook;
use App\Stage\Plan\PlanPage;
use Escapement\Core\Commissioning\Procedure\DeadPairs;
use Escapement\Core\Topology\Device;
use Illuminate\Http\Response;

/** The isolation plan of a run, to hang up where the work is: what is opened, locked, tagged and proved dead, and what stays live. */
final readonly class PrintIsolation
{
    public function __invoke(Run $run): Response
    {
        $page = ProcedurePage::of($run, null);
        $switch = $run->switch;

        return Paper::of(view('handover.isolation-pdf', [
            'page' => $page,
            'steps' => $page->stages()['Isolate'] ?? [],
            'pairs' => DeadPairs::of((new SwitchFacts($switch, $run->plantThen()))->plant),
            'drawings' => self::drawings($run),
        ]), $switch->site, "isolation-run-$run->id", isLandscape: true);
    }

    /** @return list<PlanPage> one for each device that is opened: with it alone open, this is still live */
    private static function drawings(Run $run): array
    {
        $look = static fn(string $open): PlanPage => PlanPage::of(
            $run->switch,
            $run->switch->plan,
            new PlanLook(open: $open, showsStillLive: true, bonds: 'before'),
        );

        return array_map(static fn(Device $device): PlanPage => $look($device->ref), $look('')->openable());
    }
}
