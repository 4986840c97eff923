<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Bridge\BenchFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

final readonly class ShowBench
{
    public function __invoke(TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $bench = BenchDesk::of($switch);

        return view('bench.panel', [
            'switch' => $switch, 'standing' => new SiteStanding($switch->site, $switch), 'bench' => $bench,
            'lacks' => $bench === null ? (new BenchFacts($switch))->lacks() : null,
            'live' => $bench === null ? null : LivePart::of($switch, $bench),
        ]);
    }
}
