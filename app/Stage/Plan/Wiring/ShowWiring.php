<?php

declare(strict_types=1);

namespace App\Stage\Plan\Wiring;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowWiring
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('plan.wiring', ['page' => new WiringPage($switch, WiringLook::from($request))]);
    }
}
