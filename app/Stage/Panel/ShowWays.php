<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

final readonly class ShowWays
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('panel.page', ['page' => new WaysPage($switch)]);
    }
}
