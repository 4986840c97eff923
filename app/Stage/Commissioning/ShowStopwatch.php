<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Run;
use App\Stage\SiteStanding;
use Escapement\Core\Settings\Window;
use Escapement\Core\Site\Kind;
use Illuminate\Contracts\View\View;

final readonly class ShowStopwatch
{
    public function __invoke(Run $run): View
    {
        $run->load(['marks.user', 'answers', 'sheet', 'user', 'switch.site.switches', 'switch.loads', 'switch.plan', 'switch.sheet', 'switch.run.sheet', 'switch.run.user', 'switch.proof.sheet', 'switch.proof.user']);
        $result = new RunResult($run);
        $kind = Kind::from($run->switch->plant['kind']);

        return view('commissioning.stopwatch', [
            'run' => $run,
            'standing' => new SiteStanding($run->switch->site, $run->switch),
            'result' => $result,
            'watch' => json_encode([
                'runId' => $run->id,
                'sendTo' => route('marks', $run),
                'verdictFrom' => route('run.verdict', $run),
                'isSigned' => $run->isSigned(),
                'reactionMs' => $run->reaction_ms,
                'baitMs' => $result->expected->baitMs,
                'steps' => StopwatchSteps::forKind($kind),
                'windows' => array_combine(
                    array_map(static fn(Window $window): string => $window->event, $result->expected->windows),
                    array_map(static fn(Window $window): array => [$window->minMs, $window->nominalMs, $window->maxMs], $result->expected->windows),
                ),
                'runningFromLoss' => [$result->expected->runningFromLoss->minMs, $result->expected->runningFromLoss->nominalMs, $result->expected->runningFromLoss->maxMs],
                'marks' => $run->marks->map(MarkLine::toArray(...))->all(),
            ], JSON_THROW_ON_ERROR),
        ]);
    }
}
