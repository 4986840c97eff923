<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

use Escapement\Core\Commissioning\Bait;
use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\IntervalVerdict;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;

/**
 * What a run proves, leaves open and fails, part by part: its steps by their states, its times by the stopwatch. Signatures
 * close a run and prove nothing. Rule: docs/rules.md#proof.
 */
final readonly class RunParts
{
    private const FAILING = [
        'engine-not-running' => 'The generator never came.', 'not-transferred' => 'The load was never transferred.',
        'not-returned' => 'The load did not go back.', 'engine-not-stopped' => 'The engine did not stop.',
    ];
    private const NAMES = [
        'start_signal' => 'Start signal', 'engine_running' => 'Generator good', 'transfer' => 'Transfer', 'return' => 'Return',
        'engine_stop' => 'Engine stop',
    ];

    /** @var list<RunPart> in the order of the table, those that such an installation has */
    public array $parts;

    /**
     * @param list<Step> $steps of the procedure of the run
     * @param bool       $isDeclaredReady the one who signs says that it was left ready: selector in automatic, breakers closed, covers on
     */
    public function __construct(
        InstallationKind $installation,
        private PlantKind $plant,
        private array $steps,
        private Progress $progress,
        private TimingVerdictResult $timing,
        private bool $isDeclaredReady = false,
    ) {
        /** @var array<string, list<string>> $table */
        $table = require __DIR__ . '/../../../data/proof_steps.php';
        $parts = [];
        foreach (ProofPart::cases() as $part) {
            if ($part->isOf($installation, $plant)) {
                $parts[] = match ($part) {
                    ProofPart::Times => $this->times(),
                    ProofPart::Bait => $this->bait(),
                    ProofPart::Sensing => $this->sensing($this->bySteps($part, $table[$part->value])),
                    ProofPart::LeftReady => $this->leftReady($this->bySteps($part, $table[$part->value])),
                    default => $this->bySteps($part, $table[$part->value]),
                };
            }
        }
        $this->parts = $parts;
    }

    /** @return list<RunPart> */
    public function in(PartOutcome ...$outcomes): array
    {
        return array_values(array_filter($this->parts, static fn(RunPart $one): bool => in_array($one->outcome, $outcomes, true)));
    }

    /**
     * What the run is signed as: one part that failed fails it; one that was begun and not finished, or nothing at all, leaves it
     * incomplete.
     *
     * @return 'pass'|'fail'|'incomplete'
     */
    public function verdict(): string
    {
        return match (true) {
            $this->in(PartOutcome::Failed) !== [] => 'fail',
            $this->in(PartOutcome::Open) !== [] || $this->in(PartOutcome::Proved) === [] => 'incomplete',
            default => 'pass',
        };
    }

    /** @param list<string> $patterns */
    private function bySteps(ProofPart $part, array $patterns): RunPart
    {
        $states = [];
        foreach ($this->steps as $step) {
            foreach ($patterns as $pattern) {
                if ($step->id === $pattern || str_ends_with($pattern, '*') && str_starts_with($step->id, substr($pattern, 0, -1))) {
                    $states[$step->id] = $this->progress->states[$step->id];
                }
            }
        }
        $isTouched = array_filter(
            $states,
            static fn(StepState $state): bool => ! in_array($state, [StepState::Open, StepState::Locked, StepState::Stopped], true),
        ) !== [];
        if (! $isTouched) {
            return new RunPart($part, PartOutcome::Untouched, steps: array_map(strval(...), array_keys($states)));
        }
        $against = array_filter($states, static fn(StepState $state): bool => $state === StepState::NotSo || $state === StepState::Stopped);
        if ($against !== []) {
            return new RunPart(
                $part,
                PartOutcome::Failed,
                why: $this->titles($against, 'is not as it should be'),
                steps: array_map(strval(...), array_keys($against)),
            );
        }
        $open = array_filter($states, static fn(StepState $state): bool => ! in_array($state, [StepState::Done, StepState::Noted], true));
        if ($open !== []) {
            return new RunPart(
                $part,
                PartOutcome::Open,
                why: $this->titles($open, 'is open'),
                steps: array_map(strval(...), array_keys($open)),
            );
        }

        return new RunPart($part, PartOutcome::Proved, in_array(StepState::Noted, $states, true));
    }

    /**
     * @param array<string, StepState> $states
     *
     * @return list<string>
     */
    private function titles(array $states, string $words): array
    {
        $titles = [];
        foreach ($this->steps as $step) {
            $state = $states[$step->id] ?? null;
            if ($state !== null) {
                $titles[] = $state === StepState::Stopped && $step->stoppedBy !== [] ? "$step->title: " . implode(' ', $step->stoppedBy)
                    : "$step->title: " . ($state === StepState::Skipped ? 'left out' : $words) . '.';
            }
        }

        return $titles;
    }

    /** The last outage of the run: a time that was mended and taken again counts. */
    private function lastOutage(): ?TimedRun
    {
        $outages = array_values(array_filter(
            $this->timing->runs,
            static fn(TimedRun $run): bool => ! $run->isByButton && array_filter(
                $run->intervals,
                static fn(Interval $one): bool => $one->measuredMs !== null,
            ) !== [],
        ));
        $any = array_values(array_filter($this->timing->runs, static fn(TimedRun $run): bool => ! $run->isByButton));

        return $outages[count($outages) - 1] ?? $any[count($any) - 1] ?? null;
    }

    /** @return list<string> why an interval fails its part; empty when it does not */
    private function failures(TimedRun $run): array
    {
        $why = [];
        foreach ($run->intervals as $interval) {
            $name = self::NAMES[$interval->event] ?? $interval->event;
            $why[] = match (true) {
                $interval->verdict === IntervalVerdict::Early => "$name came early.",
                $interval->verdict === IntervalVerdict::Late => "$name came late.",
                default => self::FAILING[$interval->diagnosis ?? ''] ?? '',
            };
        }

        return array_values(array_unique(array_filter($why, static fn(?string $one): bool => $one !== null && $one !== '')));
    }

    private function times(): RunPart
    {
        $run = $this->lastOutage();
        if ($run === null) {
            return new RunPart(
                ProofPart::Times,
                PartOutcome::Untouched,
                why: $this->timing->runs === [] ? [] : ['Only the test button was timed.'],
            );
        }
        $failures = $this->failures($run);
        if ($failures !== []) {
            return new RunPart(ProofPart::Times, PartOutcome::Failed, why: $failures);
        }
        $missing = [];
        foreach ($run->intervals as $interval) {
            if ($interval->event !== 'start_signal' && $interval->verdict === IntervalVerdict::Missing) {
                $missing[] = (self::NAMES[$interval->event] ?? $interval->event) . ' was not timed.';
            }
        }

        return new RunPart(ProofPart::Times, $missing === [] ? PartOutcome::Proved : PartOutcome::Open, why: $missing);
    }

    private function bait(): RunPart
    {
        $baits = array_merge([], ...array_map(static fn(TimedRun $run): array => $run->baits, $this->timing->runs));
        $fair = array_values(array_filter($baits, static fn(Bait $bait): bool => $bait->verdict !== 'void'));
        $last = $fair[count($fair) - 1] ?? null;

        return match (true) {
            $baits === [] => new RunPart(ProofPart::Bait, PartOutcome::Untouched, why: ['The bait test was not done.']),
            $last === null => new RunPart(
                ProofPart::Bait,
                PartOutcome::Open,
                why: ['The bait lasted too long or its end was not marked: repeat it.'],
            ),
            $last->verdict === 'pass' => new RunPart(ProofPart::Bait, PartOutcome::Proved),
            default => new RunPart(
                ProofPart::Bait,
                PartOutcome::Failed,
                why: ['The load went back to a supply that had not proved itself.'],
            ),
        };
    }

    /** That the load moved after the outage shows that the switch noticed it; what the procedure asks beside that has to be done too. */
    private function sensing(RunPart $steps): RunPart
    {
        if ($steps->outcome === PartOutcome::Failed) {
            return $steps;
        }
        $transfer = $this->lastOutage()?->interval('transfer');
        $phases = array_values(array_filter($steps->steps, static fn(string $id): bool => $id !== 'simulated_outage/open'));
        $hasMoved = $transfer?->measuredMs !== null;

        return match (true) {
            isset(self::FAILING[$transfer->diagnosis ?? '']) => new RunPart(
                ProofPart::Sensing,
                PartOutcome::Failed,
                why: [self::FAILING[$transfer->diagnosis ?? '']],
            ),
            ! $hasMoved && $steps->outcome === PartOutcome::Untouched => new RunPart(
                ProofPart::Sensing,
                PartOutcome::Untouched,
                why: $this->timing->runs === [] ? [] : ['No outage was simulated.'],
                steps: $steps->steps,
            ),
            ! $hasMoved => new RunPart(ProofPart::Sensing, PartOutcome::Open, why: ['The transfer was not timed.'], steps: $steps->steps),
            $phases !== [] => new RunPart(
                ProofPart::Sensing,
                PartOutcome::Open,
                why: $this->titles(array_fill_keys($phases, StepState::Open), 'is open'),
                steps: $phases,
            ),
            default => new RunPart(ProofPart::Sensing, PartOutcome::Proved, $steps->isNoted),
        };
    }

    private function leftReady(RunPart $steps): RunPart
    {
        return $this->isDeclaredReady && $steps->outcome !== PartOutcome::Failed ? new RunPart(
            ProofPart::LeftReady,
            PartOutcome::Proved,
            $steps->isNoted,
        ) : $steps;
    }
}
