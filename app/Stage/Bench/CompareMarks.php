<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Models\Run;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;

final readonly class CompareMarks
{
    public function __invoke(Run $run): View
    {
        $run->load(['marks', 'sheet', ...array_map(static fn(string $need): string => "switch.$need", SiteStanding::NEEDS)]);

        return view('bench.marks', ['page' => new MarksPage($run)]);
    }
}
