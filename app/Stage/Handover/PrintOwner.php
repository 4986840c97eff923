<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Http\Middleware\ByLink;
use App\Stage\Paper;
use App\Stage\Plan\LandingPage;
use App\Stage\Plan\PlanLook;
use App\Stage\Plan\PlanPage;
use App\Stage\SiteStanding;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The same on paper, with the one-line, the landing list, the pictures and the report behind it. */
final readonly class PrintOwner
{
    private const MOST_PICTURES = 12;

    public function __invoke(Request $request, string $token): Response
    {
        $page = new OwnerPage(ByLink::run($request), $token);
        $switch = $page->run->switch->load([...SiteStanding::NEEDS, 'photos.file']);
        $plan = PlanPage::of($switch, $switch->plan, new PlanLook(bonds: 'after'));

        return Paper::of(view('handover.owner-pdf', [
            'page' => $page, 'report' => $page->report, 'plan' => $plan, 'landing' => $plan === null ? null : new LandingPage($switch), 'photos' => $switch->photos->take(-self::MOST_PICTURES),
        ]), $switch->site, 'handover', 'record ' . substr($page->run->head, 0, 16));
    }
}
