<?php

declare(strict_types=1);

namespace App\Stage\Meters;

use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowMeters
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('meters.page', ['page' => new MetersPage($switch, (int) Typed::text($request, 'reading', 9))]);
    }
}
