<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\Paper;
use App\Stage\SiteStanding;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The one-line as looked at on one page, in black and white, with what moves and where to test. */
final readonly class PrintOneLine
{
    public function __invoke(Request $request, TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $page = PlanPage::of($switch, $switch->plan, PlanLook::from($request));

        return Paper::of(view('plan.one-line-pdf', ['page' => $page]), $switch->site, 'one-line', isLandscape: true);
    }
}
