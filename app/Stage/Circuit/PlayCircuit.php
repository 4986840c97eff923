<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use App\Models\Circuit;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class PlayCircuit
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $stored = Circuit::query()->where('switch_id', $switch->id)->firstOrFail();

        return view('circuit.play', ['page' => new PlayPage($switch, $stored, $request)]);
    }
}
