<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/**
 * Judges an answer by its step. Rule: docs/rules.md#procedure, docs/rules.md#bands: skips need a reason, what is out of
 * band needs a note.
 */
final readonly class AnswerJudge
{
    /** @throws AnswerFault */
    public function judge(Step $step, SubmittedAnswer $given): Verdict
    {
        if ($step->stoppedBy !== [] && $given->isSo !== false) {
            throw new AnswerFault(
                $given->skipReason === null ? 'so' : 'skip_reason',
                'It cannot be called done while this stands: ' . implode(' ', $step->stoppedBy),
            );
        }
        if ($given->skipReason !== null) {
            if (! $step->mayBeSkipped) {
                throw new AnswerFault(
                    'skip_reason',
                    $step->isHold ? 'This is a hold point: nothing goes on without it.' : 'This step is not left out.',
                );
            }
            if (trim($given->skipReason) === '') {
                throw new AnswerFault('skip_reason', 'Say why it is left out.');
            }

            return Verdict::Skipped;
        }

        return match ($step->kind) {
            StepKind::Confirm => $this->confirmed($step, $given),
            StepKind::Photo => $this->pictured($given),
            StepKind::Sign => $this->signed($given),
            StepKind::Choose => $this->chosen($step, $given),
            StepKind::Measure => $this->measured($step, $given),
            StepKind::Time => $this->noted($given, 'The stopwatch answers this. Beside its window it is closed with a note.'),
        };
    }

    private function confirmed(Step $step, SubmittedAnswer $given): Verdict
    {
        if ($given->isSo === null) {
            throw new AnswerFault('so', 'Is it so, or not?');
        }
        if ($given->isSo && $step->asks !== null) {
            $this->noted($given, $step->asks);
        }

        return $given->isSo ? Verdict::AsExpected : $this->notSo($given);
    }

    private function pictured(SubmittedAnswer $given): Verdict
    {
        if ($given->isSo !== false && $given->photos === 0 && trim((string) $given->note) === '') {
            throw new AnswerFault('photos', 'Take the picture, or say why there is none.');
        }

        return match (true) {
            $given->isSo === false => $this->notSo($given),
            $given->photos === 0 => Verdict::Noted,
            default => Verdict::AsExpected,
        };
    }

    private function signed(SubmittedAnswer $given): Verdict
    {
        if ($given->isSo === false) {
            return $this->notSo($given);
        }
        if (trim((string) $given->name) === '') {
            throw new AnswerFault('name', 'The name of the person who signs.');
        }

        return Verdict::AsExpected;
    }

    private function chosen(Step $step, SubmittedAnswer $given): Verdict
    {
        if ($given->choice === null || ! isset($step->choices[$given->choice])) {
            throw new AnswerFault('choice', 'Choose one of the answers.');
        }

        return match (true) {
            $given->choice === array_key_first($step->choices) => Verdict::AsExpected,
            in_array($given->choice, $step->noted, true) => $this->noted($given, 'Say what was found, and what was done about it.'),
            default => $this->notSo($given),
        };
    }

    private function measured(Step $step, SubmittedAnswer $given): Verdict
    {
        if ($given->value === null || ! is_finite($given->value)) {
            throw new AnswerFault('value', "The figure that the {$step->instrument} shows.");
        }

        if ($step->band !== null && ! $step->band->couldBe($given->value)) {
            throw new AnswerFault(
                'value',
                "Is that so? Here the $step->instrument can read {$step->band->couldWords()}: look at point, range and unit.",
            );
        }

        $verdict = $step->band?->judge($given->value);
        if ($step->tick !== null && $verdict !== 'stop' && $given->isSo !== true) {
            throw new AnswerFault('so', "$step->tick: do it, then tick it.");
        }

        return match ($verdict) {
            'in_band', null => Verdict::AsExpected,
            'stop' => $this->notSo($given),
            default => $this->noted($given, "It should be {$step->expectation}: say what was found, or measure again."),
        };
    }

    private function notSo(SubmittedAnswer $given): Verdict
    {
        if (trim((string) $given->note) === '') {
            throw new AnswerFault('note', 'Say what was found instead.');
        }

        return Verdict::NotSo;
    }

    private function noted(SubmittedAnswer $given, string $message): Verdict
    {
        if (trim((string) $given->note) === '') {
            throw new AnswerFault('note', $message);
        }

        return Verdict::Noted;
    }
}
