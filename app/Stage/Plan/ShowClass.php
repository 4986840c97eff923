<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

final readonly class ShowClass
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load([...SiteStanding::NEEDS, 'photos']);

        return view('plan.class', ['page' => new ClassPage($switch)]);
    }
}
