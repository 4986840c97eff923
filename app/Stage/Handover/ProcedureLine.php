<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\StepAnswer;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;

/** One step of the procedure as the report says it. */
final readonly class ProcedureLine
{
    /** What it leaves unproved; null when it is closed as expected. */
    public ?string $words;

    public function __construct(public Step $step, public StepState $state, private ?StepAnswer $answer)
    {
        $this->words = match ($state) {
            StepState::Done => null,
            StepState::Noted => "$step->title: closed with a note.",
            StepState::Skipped => "$step->title: left out.",
            StepState::NotSo => "$step->title: not as it should be.",
            StepState::Open, StepState::Locked, StepState::Reopened => "$step->title: not answered.",
        };
    }

    public function found(): string
    {
        $given = $this->answer->given ?? [];
        $note = is_string($given['note'] ?? null) ? $given['note'] : '';
        $found = match (true) {
            isset($given['value']) && is_numeric($given['value']) => $given['value'] . ' ' . $this->step->band?->unit,
            isset($given['choice']) && is_string($given['choice']) => $given['choice'],
            isset($given['skip_reason']) && is_string($given['skip_reason']) => "left out: {$given['skip_reason']}",
            $this->state === StepState::Done => 'as expected',
            $this->state === StepState::NotSo => 'not so',
            $this->answer === null => 'not answered',
            default => '',
        };

        return trim($found . ($note === '' || $note === ($given['skip_reason'] ?? '') ? '' : ($found === '' ? '' : '. ') . $note));
    }

    public function who(): string
    {
        return $this->answer?->user->initials() ?? '';
    }

    public function value(): ?float
    {
        $value = $this->answer->given['value'] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    /** @return array<string, mixed> by the published schema run */
    public function toArray(): array
    {
        return [
            'id' => $this->step->id, 'title' => $this->step->title, 'expect' => $this->step->expectation, 'state' => $this->state->value,
            'given' => $this->answer === null ? null : (object) $this->answer->given, 'who' => $this->answer?->user->name,
        ];
    }
}
