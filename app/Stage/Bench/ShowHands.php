<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowHands
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('bench.page', ['page' => new HandsPage($switch, Typed::text($request, 'story', 20))]);
    }
}
