<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Template\SitePlan;
use Illuminate\Contracts\View\View;

final readonly class ShowPackList
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        abort_unless(SitePlan::knows($switch->site->installation), 404);

        return view('plan.pack-list', ['page' => new PackPage($switch)]);
    }
}
