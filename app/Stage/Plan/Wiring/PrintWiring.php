<?php

declare(strict_types=1);

namespace App\Stage\Plan\Wiring;

use App\Models\TransferSwitch;
use App\Stage\Paper;
use App\Stage\SiteStanding;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Every enclosure of the site on a page of its own, with its order of landing. */
final readonly class PrintWiring
{
    public function __invoke(Request $request, TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $first = new WiringPage($switch, WiringLook::from($request));
        $pages = array_map(
            static fn(string $enclosure): WiringPage => new WiringPage($switch, new WiringLook($enclosure, $first->look->on, '', 1)),
            array_map(strval(...), array_keys($first->enclosures)),
        );

        return Paper::of(view('plan.wiring-pdf', ['switch' => $switch, 'pages' => $pages]), $switch->site, 'wiring', isLandscape: true);
    }
}
