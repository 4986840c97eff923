<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Http\Typed;
use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowTerminals
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $stored = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();

        return view('circuit.terminals', ['page' => new TerminalsPage($switch, $stored, Typed::text($request, 'numbers', 8) === 'rung')]);
    }
}
