<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** What a run proves by now, for the sign section; opened by hand it is the run itself. */
final readonly class ShowParts
{
    public function __invoke(Request $request, Run $run): View|RedirectResponse
    {
        if (! $request->hasHeader('HX-Request')) {
            return redirect()->route('run', $run);
        }
        $run->load(['marks', 'answers', 'sheet', 'switch.site', 'switch.loads', 'switch.plan']);

        return view('commissioning.partials._parts', ['run' => $run, 'parts' => (new RunResult($run))->parts()]);
    }
}
