<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowShedding
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view($request->hasHeader('HX-Request') ? 'plan.partials._shedding' : 'plan.shedding', ['page' => new SheddingPage($switch)]);
    }
}
