<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\Run;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

final readonly class ShowReport
{
    public function __invoke(Run $run): View
    {
        $run->load([
            'switch.site.switches', 'switch.sheet', 'switch.run.sheet', 'switch.run.user', 'switch.proofs', 'switch.loads', 'switch.plan',
            'links',
        ]);

        return view('handover.report', ['report' => new Report($run), 'standing' => new SiteStanding($run->switch->site, $run->switch)]);
    }
}
