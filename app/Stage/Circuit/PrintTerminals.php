<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Http\Typed;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\Paper;
use App\Stage\SiteStanding;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Ladder, wires, strip, parts and continuity sheet on paper, for the bench. */
final readonly class PrintTerminals
{
    public function __invoke(Request $request, TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $stored = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();
        $page = new TerminalsPage($switch, $stored, Typed::text($request, 'numbers', 8) === 'rung');

        return Paper::of(view('circuit.terminals-pdf', ['page' => $page]), $switch->site, 'terminals');
    }
}
