<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Carbon;

final readonly class ShowFleet
{
    private const MOST = 500;

    public function __invoke(): View
    {
        $query = TransferSwitch::query();
        $query->limit(self::MOST);

        return view('upkeep.fleet', ['page' => new FleetPage($query->with(SiteStanding::NEEDS)->get(), Carbon::now())]);
    }
}
