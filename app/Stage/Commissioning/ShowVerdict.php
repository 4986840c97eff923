<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class ShowVerdict
{
    public function __invoke(Request $request, Run $run): View|RedirectResponse
    {
        if ($request->header('HX-Request') === null) {
            return redirect()->route('run', $run); // it is a part of that page
        }
        $run->load(['marks', 'sheet', 'switch.site', 'switch.loads']);

        return view('commissioning.partials._verdict', ['run' => $run, 'result' => new RunResult($run)]);
    }
}
