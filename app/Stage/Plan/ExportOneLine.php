<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The one-line as looked at, for paper: black, white and patterns, nothing beside it needed. */
final readonly class ExportOneLine
{
    public function __invoke(Request $request, TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $look = PlanLook::from($request);
        $page = PlanPage::of($switch, $switch->plan, $look);
        $name = Str::slug($switch->site->name) . "-one-line-$look->on.svg";

        return response(
            $page->picture->paperSvg(),
            200,
            ['Content-Type' => 'image/svg+xml', 'Content-Disposition' => "attachment; filename=\"$name\""],
        );
    }
}
