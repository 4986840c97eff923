<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What the panel shows now; nothing when that is what the page shows already. */
final readonly class ShowLive
{
    public function __invoke(Request $request, TransferSwitch $switch): Response
    {
        $bench = BenchDesk::standing($switch);
        $live = LivePart::of($switch->load(SiteStanding::NEEDS), $bench);

        return Typed::text($request, 'seen', 40) === $live->tag ? response()->noContent()
            : response(view('bench.partials._wrapped', ['live' => $live, 'switch' => $switch]));
    }
}
