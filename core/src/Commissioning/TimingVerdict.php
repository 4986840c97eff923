<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Finding\Severity;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Settings\Settings;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\SettingsCheck\Window;

/**
 * Measured against expected: what the stopwatch says about the sheet. Rule: docs/rules.md#timing-verdict.
 *
 * The order of the list of marks never matters but for marks with the same id: those are one mark, the first of them.
 * A run that begins with the test button is judged against a test of the same sheet. It says nothing of the sensing: marks
 * without an outage are never a pass.
 */
final class TimingVerdict
{
    /** @var non-empty-list<TestMethod> the first is the simulated outage, or what stands for it */
    public readonly array $methods;
    public readonly ExpectedTimes $expected;
    /** @var array<string, list<int>> diagnosis => runs */
    private array $diagnosed = [];

    public function __construct(private readonly Plant $plant, private readonly Settings $settings, private readonly int $reactionMs = 500)
    {
        $this->methods = TestMethod::of($plant, $settings);
        $this->expected = $this->methods[0]->expected;
    }

    /** @param list<Mark> $marks */
    public function judge(array $marks): TimingVerdictResult
    {
        $this->diagnosed = [];
        $runs = [];
        foreach ($this->runs($this->counting($marks)) as $i => $run) {
            $runs[] = $this->judgeRun($i, $run);
        }
        if ($runs !== [] && array_filter($runs, static fn(TimedRun $run): bool => ! $run->isByButton) === []) {
            $this->diagnosed['button-only'] = array_keys($runs);
        }
        $findings = (new Diagnoses())->findings($this->diagnosed);

        return new TimingVerdictResult(
            $runs,
            $this->overall($runs, array_column($findings, 'severity')),
            $findings,
            $this->expected->working,
        );
    }

    /** @param list<Mark> $run */
    private function methodOf(array $run): TestMethod
    {
        foreach ($this->methods as $method) {
            if ($run[0]->event === $method->opens()) {
                return $method;
            }
        }

        return $this->methods[0];
    }

    /**
     * @param list<Mark> $marks
     *
     * @return list<Mark> those that count, in the order in which they happened
     */
    private function counting(array $marks): array
    {
        $firstById = [];
        $undoneIds = [];
        foreach ($marks as $mark) {
            if ($mark->id !== null && $mark->isUndone) {
                $undoneIds[$mark->id] = true;
            }
        }
        $counting = [];
        foreach ($marks as $mark) {
            $isRepeat = $mark->id !== null && isset($firstById[$mark->id]);
            if ($mark->id !== null) {
                $firstById[$mark->id] = true;
            }
            $isUndone = $mark->isUndone || $mark->id !== null && isset($undoneIds[$mark->id]);
            if (! $isRepeat && ! $isUndone && $mark->event->countsOn($this->plant->kind)) {
                $counting[] = $mark;
            }
        }
        usort($counting, static fn(Mark $a, Mark $b): int => [$a->atMs, $a->event->order()] <=> [$b->atMs, $b->event->order()]);

        return $counting;
    }

    /**
     * @param list<Mark> $marks
     *
     * @return list<list<Mark>>
     */
    private function runs(array $marks): array
    {
        $runs = [];
        $openings = array_map(static fn(TestMethod $method): MarkEvent => $method->opens(), $this->methods);
        foreach ($marks as $mark) {
            if ($runs === [] || in_array($mark->event, $openings, true)) {
                $runs[] = [];
            }
            $runs[count($runs) - 1][] = $mark;
        }

        return $runs;
    }

    /** @param list<Mark> $run */
    private function judgeRun(int $i, array $run): TimedRun
    {
        $intervals = [];
        $method = $this->methodOf($run);
        $isByButton = $method->isByButton();
        foreach ($method->intervals() as $rule) {
            $interval = $this->judgeInterval($rule, $run, $intervals);
            $intervals[$rule->event] = $interval;
            if ($interval->diagnosis !== null) {
                $this->diagnosed[$interval->diagnosis][] = $i;
            }
        }
        $baits = $isByButton ? [] : $this->judgeBaits($run);
        foreach ($baits as $bait) {
            if ($bait->verdict !== 'pass') {
                $this->diagnosed[$bait->verdict === 'fail' ? 'took-the-bait' : 'bait-void'][] = $i;
            }
        }
        $counts = array_count_values(array_map(static fn(Mark $mark): string => $mark->event->value, $run));
        foreach ($counts as $event => $count) {
            if ($count > 1 && ! MarkEvent::from($event)->isBait()) {
                $this->diagnosed['duplicate-mark'][] = $i;
            }
        }

        return new TimedRun(array_values($intervals), $baits, $isByButton);
    }

    /**
     * @param list<Mark>              $run
     * @param array<string, Interval> $before the intervals of this run judged already
     */
    private function judgeInterval(IntervalRule $rule, array $run, array $before): Interval
    {
        [$fromEvent, $from, $window] = $rule->start($run);
        $to = $rule->end($run, $from);
        $measuredMs = $from === null || $to === null ? null : $run[$to]->atMs - $run[$from]->atMs;
        $verdict = $this->verdict($measuredMs, $window);
        $diagnosis = match ($verdict) {
            IntervalVerdict::Pass => null,
            IntervalVerdict::Early => $rule->early,
            IntervalVerdict::Late => $rule->event === 'transfer' ? $this->whyTransferIsLate($before) : $rule->late,
            IntervalVerdict::Missing => $this->whyMissing($rule, $run, $from, $to, $before),
        };

        return new Interval($rule->event, $fromEvent, $rule->to, $measuredMs, $window, $verdict, $diagnosis);
    }

    private function verdict(?int $measuredMs, Window $window): IntervalVerdict
    {
        return match (true) {
            $measuredMs === null => IntervalVerdict::Missing,
            $window->nominalMs === null => IntervalVerdict::Early, // it should never come
            $measuredMs < (int) $window->minMs - $this->reactionMs => IntervalVerdict::Early,
            $measuredMs > (int) $window->maxMs + $this->reactionMs => IntervalVerdict::Late,
            default => IntervalVerdict::Pass,
        };
    }

    /** @param array<string, Interval> $before */
    private function whyTransferIsLate(array $before): string
    {
        $start = $before['start_signal']->verdict ?? null;
        $running = $before['engine_running']->verdict ?? null;

        return match (true) {
            $start === IntervalVerdict::Late, $running === IntervalVerdict::Late => 'transfer-late-upstream',
            $running === IntervalVerdict::Pass, $running === IntervalVerdict::Early => 'transfer-late-warm-up',
            default => 'transfer-late',
        };
    }

    /**
     * @param list<Mark>              $run
     * @param array<string, Interval> $before
     */
    private function whyMissing(IntervalRule $rule, array $run, ?int $from, ?int $to, array $before): ?string
    {
        if ($rule->event === 'start_signal') {
            return null;
        }
        $isShown = $to !== null;
        foreach ($rule->shownBy as $event) {
            $isShown = $isShown || IntervalRule::find($run, $event) !== null;
        }

        return match (true) {
            $isShown => 'mark-missing',
            $from === null => 'run-unfinished',
            $rule->event === 'transfer' && ($before['engine_running']->diagnosis ?? null) === 'engine-not-running' => 'engine-not-running',
            default => $rule->notCome,
        };
    }

    /**
     * @param list<Mark> $run
     *
     * @return list<Bait>
     */
    private function judgeBaits(array $run): array
    {
        $baits = [];
        foreach ($run as $place => $mark) {
            if ($mark->event === MarkEvent::BaitOn) {
                $baits[] = $this->judgeBait($mark->atMs, $this->baitScope($run, $place));
            }
        }

        return $baits;
    }

    /**
     * @param list<Mark> $run
     *
     * @return list<Mark> what comes after the bait and before the next one, or the real return
     */
    private function baitScope(array $run, int $place): array
    {
        $scope = [];
        for ($next = $place + 1; $next < count($run); $next++) {
            if ($run[$next]->event === MarkEvent::BaitOn || $run[$next]->event === MarkEvent::UtilityOn) {
                break;
            }
            $scope[] = $run[$next];
        }

        return $scope;
    }

    /** @param list<Mark> $scope */
    private function judgeBait(int $onMs, array $scope): Bait
    {
        $off = IntervalRule::find($scope, MarkEvent::BaitOff);
        $back = IntervalRule::find($scope, MarkEvent::Retransferred);
        $heldMs = $off === null ? null : $scope[$off]->atMs - $onMs;
        $isFair = $heldMs !== null && $heldMs + $this->settings->normal->dropoutDelayMs <= (int) $this->settings->returnDelayMs;
        $returnMinMs = $this->expected->window('return')?->minMs;
        $cameTooSoon = $back !== null && $returnMinMs !== null && $scope[$back]->atMs - $onMs < $returnMinMs - $this->reactionMs;

        return new Bait($onMs, $heldMs, match (true) {
            $back !== null && ($isFair || $cameTooSoon) => 'fail',
            $isFair => 'pass',
            default => 'void',
        });
    }

    /**
     * @param list<TimedRun> $runs
     * @param list<Severity> $severities
     *
     * @return 'pass'|'fail'|'incomplete'
     */
    private function overall(array $runs, array $severities): string
    {
        $isIncomplete = array_filter($runs, static fn(TimedRun $run): bool => ! $run->isByButton) === [];
        $isFailed = in_array(Severity::Stop, $severities, true);
        foreach ($runs as $run) {
            foreach ($run->intervals as $interval) {
                $isFailed = $isFailed || $interval->verdict === IntervalVerdict::Early || $interval->verdict === IntervalVerdict::Late;
                $isIncomplete = $isIncomplete || $interval->verdict === IntervalVerdict::Missing && $interval->event !== 'start_signal';
            }
            foreach ($run->baits as $bait) {
                $isFailed = $isFailed || $bait->verdict === 'fail';
                $isIncomplete = $isIncomplete || $bait->verdict === 'void';
            }
        }

        return $isFailed ? 'fail' : ($isIncomplete ? 'incomplete' : 'pass');
    }
}
