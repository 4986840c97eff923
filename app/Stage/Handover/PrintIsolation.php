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
            'drawing' => PlanPage::of($switch, $switch->plan, new PlanLook('off', showsStillLive: true)),
        ]), $switch->site, "isolation-run-$run->id", isLandscape: true);
    }
}
