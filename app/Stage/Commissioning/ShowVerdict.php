<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use Illuminate\Contracts\View\View;

final readonly class ShowVerdict
{
    public function __invoke(Run $run): View
    {
        $run->load(['marks', 'sheet', 'switch.site', 'switch.loads']);

        return view('commissioning.partials._verdict', ['run' => $run, 'result' => new RunResult($run)]);
    }
}
