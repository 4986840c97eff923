<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowPlan
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $page = PlanPage::of($switch, $switch->plan, PlanLook::from($request));

        return view($request->hasHeader('HX-Request') ? 'plan.partials._drawing' : 'plan.page', ['page' => $page]);
    }
}
