<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\SwitchFacts;
use App\Bridge\TestPointFacts;
use App\Models\Bench;
use App\Models\Run;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

final readonly class ShowStopwatch
{
    public function __invoke(Run $run): View|RedirectResponse
    {
        if ($run->isService()) {
            return redirect()->route('procedure', $run); // it has none
        }
        $run->load([
            'marks.user', 'answers', 'sheet', 'user', 'switch.site.switches', 'switch.loads', 'switch.plan', 'switch.sheet',
            'switch.run.sheet', 'switch.run.user', 'switch.proofs',
        ]);
        $result = new RunResult($run);
        $test = TestPointFacts::ofRun($run);
        $ways = (new StopwatchSteps((new SwitchFacts($run->switch, $run->plantThen()))->plant, $test))->ways($result->judge->methods);

        return view('commissioning.stopwatch', [
            'run' => $run,
            'test' => $test,
            'standing' => new SiteStanding($run->switch->site, $run->switch),
            'result' => $result,
            'ways' => $ways,
            'hasBench' => Bench::query()->where('switch_id', $run->switch_id)->exists(),
            'watch' => json_encode([
                'runId' => $run->id,
                'userId' => auth()->guard()->id(),
                'sendTo' => route('marks', $run),
                'verdictFrom' => route('run.verdict', $run),
                'isSigned' => $run->isSigned(),
                'reactionMs' => $run->reaction_ms,
                'ways' => $ways,
                'marks' => $run->marks->map(MarkLine::toArray(...))->all(),
            ], JSON_THROW_ON_ERROR),
        ]);
    }
}
