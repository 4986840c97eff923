<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Commissioning\TimedRun;

/** How far a procedure is worked through: what is open, what is locked and why. Rule: docs/rules.md#procedure. */
final readonly class Progress
{
    /** What the signing of a run says to its procedure. */
    public const SIGNED = ['clean_up/sign-technician' => Verdict::AsExpected];

    /** @var array<string, StepState> by step, in order */
    public array $states;
    /** @var array<string, list<string>> ids that a locked step waits for */
    public array $waitsFor;
    /** @var array<string, string> why a step is open again */
    public array $because;

    /**
     * @param list<Step>             $steps
     * @param list<JudgedAnswer>     $answers the later one of a step counts
     * @param array<string, Verdict> $timed   what the stopwatch says, by step
     */
    public static function of(array $steps, array $answers, array $timed = []): self
    {
        $last = [];
        foreach ($answers as $answer) {
            $last[$answer->step] = $answer;
        }

        return new self($steps, $last, $timed);
    }

    /**
     * @param list<Step>                  $steps
     * @param array<string, JudgedAnswer> $last  the answer of each step that counts
     * @param array<string, Verdict>      $timed
     */
    private function __construct(private array $steps, private array $last, private array $timed)
    {
        $states = $waits = $because = $open = [];
        foreach ($steps as $step) {
            $missing = array_values(array_filter($step->dependsOn, static fn(string $id): bool => isset($open[$id])));
            $answer = $last[$step->id] ?? null;
            $verdict = $answer->verdict ?? $timed[$step->id] ?? null;
            if (($timed[$step->id] ?? null) === Verdict::AsExpected) {
                $verdict = Verdict::AsExpected; // a later run in time settles what was noted before
            }
            $state = match (true) {
                $answer !== null && ! $answer->answers($step) => StepState::Reopened,
                $verdict === null && $missing !== [] => StepState::Locked,
                $step->stoppedBy !== [] => StepState::Stopped,
                $verdict === null => StepState::Open,
                ! $verdict->closes($step->isHold) => StepState::NotSo,
                $verdict === Verdict::Noted => StepState::Noted,
                $verdict === Verdict::Skipped => StepState::Skipped,
                default => StepState::Done,
            };
            if ($state === StepState::Reopened && $answer !== null) {
                $because[$step->id] = "Answered to: $answer->expectation. Now: $step->expectation.";
            }
            if ($state === StepState::Locked) {
                $waits[$step->id] = $missing;
            }
            if (! $state->isClosed()) {
                $open[$step->id] = true;
            }
            $states[$step->id] = $state;
        }
        $this->states = $states;
        $this->waitsFor = $waits;
        $this->because = $because;
    }

    /**
     * By the answers of a run, its stopwatch, and the signing that closes it.
     *
     * @param list<Step>     $steps
     * @param list<JudgedAnswer> $answers the later one of a step counts
     * @param list<TimedRun> $runs    in order
     */
    public static function ofRun(array $steps, array $answers, array $runs, bool $isSigned): self
    {
        return self::of($steps, $answers, TimedSteps::verdicts($steps, $runs) + ($isSigned ? self::SIGNED : []));
    }

    /** The progress after one more answer; a day's batch of them costs a pass over the steps each, and builds nothing anew. */
    public function with(JudgedAnswer $answer): self
    {
        return new self($this->steps, [$answer->step => $answer] + $this->last, $this->timed);
    }

    public function closed(): int
    {
        return count(array_filter($this->states, static fn(StepState $state): bool => $state->isClosed()));
    }

    /**
     * What a run is worth by its procedure: one that is not as it should be fails it, what is open leaves it incomplete.
     *
     * The step that the signing itself closes is not asked for.
     *
     * @return 'pass'|'fail'|'incomplete'
     */
    public function verdict(): string
    {
        $states = array_diff_key($this->states, self::SIGNED);

        return match (true) {
            in_array(StepState::NotSo, $states, true) => 'fail',
            array_filter($states, static fn(StepState $state): bool => ! $state->isClosed()) !== [] => 'incomplete',
            default => 'pass',
        };
    }

    /**
     * The step to do next: the first one that is neither closed nor locked, one that can be done before one that is stopped;
     * null when there is none.
     */
    public function next(): ?string
    {
        $stopped = null;
        foreach ($this->states as $id => $state) {
            if ($state === StepState::Stopped) {
                $stopped ??= (string) $id;
            } elseif (! $state->isClosed() && $state !== StepState::Locked) {
                return (string) $id;
            }
        }

        return $stopped;
    }
}
