<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Carbon;

final readonly class ShowSchedule
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('upkeep.schedule', ['page' => new UpkeepPage($switch, Carbon::now())]);
    }
}
