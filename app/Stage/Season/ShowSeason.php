<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Models\Season;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The progress of a season, or what came of it; the page asks again every second while it runs. */
final readonly class ShowSeason
{
    public function __invoke(Request $request, Season $season): View|Response
    {
        $isAsking = $request->hasHeader('HX-Request');
        if ($isAsking && ! $season->state->isOver() && (int) $request->integer('seen', -1) === $season->played) {
            return response()->noContent();
        }
        $season->load([
            'user', 'switch.site.switches', 'switch.loads', 'switch.plan', 'switch.sheet.user', 'switch.run.sheet', 'switch.run.user',
            'switch.proofs',
        ]);
        $page = new SeasonPage($season, (int) $request->integer('pick', -1));

        return view($isAsking ? 'season.partials._season' : 'season.page', ['page' => $page]);
    }
}
