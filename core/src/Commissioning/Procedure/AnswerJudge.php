<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** Judges an answer by its step. Rule: commissioning §1, §4: skips need a reason, what is out of band needs a note. */
final readonly class AnswerJudge
{
    /** @throws AnswerFault */
    public function judge(Step $step, Given $given): Verdict
    {
        if ($given->skipReason !== null) {
            if (! $step->mayBeSkipped) {
                throw new AnswerFault('skip_reason', $step->isHold ? 'This is a hold point: nothing goes on without it.' : 'This step is not left out.');
            }
            if (trim($given->skipReason) === '') {
                throw new AnswerFault('skip_reason', 'Say why it is left out.');
            }

            return Verdict::Skipped;
        }

        return match ($step->kind) {
            StepKind::Confirm, StepKind::Photo, StepKind::Sign => $this->confirmed($given),
            StepKind::Choose => $this->chosen($step, $given),
            StepKind::Measure => $this->measured($step, $given),
            StepKind::Time => $this->noted($given, 'The stopwatch answers this. Beside its window it is closed with a note.'),
        };
    }

    private function confirmed(Given $given): Verdict
    {
        if ($given->isSo === null) {
            throw new AnswerFault('so', 'Is it so, or not?');
        }

        return $given->isSo ? Verdict::AsExpected : $this->notSo($given);
    }

    private function chosen(Step $step, Given $given): Verdict
    {
        if (! in_array($given->choice, $step->choices, true)) {
            throw new AnswerFault('choice', 'Choose one of the answers.');
        }

        return $given->choice === $step->choices[0] ? Verdict::AsExpected : $this->notSo($given);
    }

    private function measured(Step $step, Given $given): Verdict
    {
        if ($given->value === null || ! is_finite($given->value)) {
            throw new AnswerFault('value', "The figure that the {$step->instrument} shows.");
        }

        return match ($step->band?->judge($given->value)) {
            'in_band', null => Verdict::AsExpected,
            'stop' => $this->notSo($given),
            default => $this->noted($given, "It should be {$step->expectation}: say what was found, or measure again."),
        };
    }

    private function notSo(Given $given): Verdict
    {
        if (trim((string) $given->note) === '') {
            throw new AnswerFault('note', 'Say what was found instead.');
        }

        return Verdict::NotSo;
    }

    private function noted(Given $given, string $message): Verdict
    {
        if (trim((string) $given->note) === '') {
            throw new AnswerFault('note', $message);
        }

        return Verdict::Noted;
    }
}
