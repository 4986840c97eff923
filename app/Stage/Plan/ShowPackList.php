<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

final readonly class ShowPackList
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('plan.pack-list', ['page' => new PackPage($switch)]);
    }
}
