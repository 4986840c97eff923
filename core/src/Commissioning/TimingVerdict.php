<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\ExpectedTimes;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Window;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Plant;

/**
 * Measured against expected: what the stopwatch says about the sheet. Rule: commissioning §3.
 *
 * The order of the list of marks never matters but for marks with the same id: those are one mark, the first of them.
 * A run that begins with the test button is judged against a test of the same sheet. It says nothing of the sensing: marks
 * without an outage are never a pass.
 */
final class TimingVerdict
{
    public readonly ExpectedTimes $expected;
    /** By the test button; null where there is none: a relay, or two supplies without an engine. */
    public readonly ?ExpectedTimes $byButton;
    /** @var array<string, list<int>> diagnosis => runs */
    private array $diagnosed = [];

    public function __construct(private readonly Plant $plant, private readonly Settings $settings, private readonly int $reactionMs = 500)
    {
        $this->expected = new ExpectedTimes($plant, $settings);
        $this->byButton = $plant->kind === Kind::Standby ? new ExpectedTimes($plant, $settings, isByButton: true) : null;
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

        return new TimingVerdictResult($runs, $this->overall($runs, array_column($findings, 'severity')), $findings, $this->expected->working);
    }

    /** @return list<IntervalRule> */
    private function table(bool $isByButton): array
    {
        $isMobile = $this->plant->kind === Kind::Mobile;
        $off = $isByButton ? MarkEvent::TestOn : MarkEvent::UtilityOff;
        $start = new IntervalRule('start_signal', $off, MarkEvent::StartSignal, 'start-early', $isByButton ? 'test-start-late' : 'start-late', null, []);
        $running = new IntervalRule(
            'engine_running',
            MarkEvent::StartSignal,
            MarkEvent::EngineRunning,
            'running-early',
            'running-late',
            'engine-not-running',
            [MarkEvent::Transferred, MarkEvent::Retransferred],
        );
        $transfer = new IntervalRule(
            'transfer',
            $isMobile ? MarkEvent::StartSignal : $off,
            MarkEvent::Transferred,
            'transfer-early',
            'transfer-late',
            'not-transferred',
            [MarkEvent::Retransferred],
        );
        $return = new IntervalRule(
            'return',
            $isMobile ? MarkEvent::EngineStopped : ($isByButton ? MarkEvent::TestOff : MarkEvent::UtilityOn),
            MarkEvent::Retransferred,
            'return-early',
            'return-late',
            'not-returned',
            $isMobile ? [] : [MarkEvent::EngineStopped],
        );
        $stop = new IntervalRule('engine_stop', MarkEvent::Retransferred, MarkEvent::EngineStopped, 'stop-early', 'stop-late', 'engine-not-stopped', []);

        return match ($this->plant->kind) {
            Kind::Standby => [$start, $running, $transfer, $return, $stop],
            Kind::TwoSource => [$transfer, $return],
            Kind::Mobile => [$running, $transfer, $return],
        };
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
        foreach ($marks as $mark) {
            if ($runs === [] || $mark->event->opens($this->plant->kind)) {
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
        $isByButton = $run[0]->event === MarkEvent::TestOn;
        foreach ($this->table($isByButton) as $rule) {
            $interval = $this->judgeInterval($rule, $run, $intervals, $isByButton);
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
    private function judgeInterval(IntervalRule $rule, array $run, array $before, bool $isByButton): Interval
    {
        $fromEvent = $rule->from;
        $expected = $isByButton && $this->byButton !== null ? $this->byButton : $this->expected;
        $window = $expected->window($rule->event) ?? throw new \LogicException("No window for $rule->event.");
        if ($rule->event === 'engine_running' && $this->plant->kind === Kind::Standby && $this->find($run, MarkEvent::StartSignal) === null) {
            $fromEvent = $isByButton ? MarkEvent::TestOn : MarkEvent::UtilityOff;
            $window = $expected->runningFromLoss;
        }
        $from = $rule->event === 'engine_stop' ? $this->retransferThatCounts($run, $isByButton ? MarkEvent::TestOff : MarkEvent::UtilityOn) : $this->find($run, $fromEvent);
        $to = $this->find($run, $rule->to, $from === null ? 0 : $from + 1);
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
            $measuredMs < $window->minMs - $this->reactionMs => IntervalVerdict::Early,
            $measuredMs > $window->maxMs + $this->reactionMs => IntervalVerdict::Late,
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
            $isShown = $isShown || $this->find($run, $event) !== null;
        }

        return match (true) {
            $isShown => 'mark-missing',
            $from === null => 'run-unfinished',
            $rule->event === 'transfer' && ($before['engine_running']->diagnosis ?? null) === 'engine-not-running' => 'engine-not-running',
            default => $rule->notCome,
        };
    }

    /**
     * The engine's stop counts from the first return after the utility came back for good, not from one that took a bait; by the
     * button from the first after the end of the test.
     *
     * @param list<Mark> $run
     */
    private function retransferThatCounts(array $run, MarkEvent $end): ?int
    {
        $ended = $this->find($run, $end);

        return $this->find($run, MarkEvent::Retransferred, $ended === null ? 0 : $ended + 1);
    }

    /** @param list<Mark> $run */
    private function find(array $run, MarkEvent $event, int $fromPlace = 0): ?int
    {
        for ($place = $fromPlace; $place < count($run); $place++) {
            if ($run[$place]->event === $event) {
                return $place;
            }
        }

        return null;
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
        $off = $this->find($scope, MarkEvent::BaitOff);
        $back = $this->find($scope, MarkEvent::Retransferred);
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
