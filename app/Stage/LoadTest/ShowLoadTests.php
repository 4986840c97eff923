<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

/** The load tests of a switch, and the form of a new one. */
final readonly class ShowLoadTests
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        return view('load-test.index', ['page' => new LoadTestsPage($switch)]);
    }
}
