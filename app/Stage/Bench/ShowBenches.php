<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\BenchStore;
use App\Models\Bench;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Carbon;

/** How the benches of a company are: each is asked while the page waits. */
final readonly class ShowBenches
{
    public function __invoke(BenchStore $store): View
    {
        $query = Bench::query();
        $query->orderBy('place');
        $lines = $query->with('switch.site')->get()->map(BenchLine::ask(...));

        return view('bench.list', ['lines' => $lines, 'health' => $store->health(), 'now' => Carbon::now()]);
    }
}
