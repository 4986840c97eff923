<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\StepAnswer;
use App\Models\User;
use App\Stage\Commissioning\GivenWords;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepKind;
use Escapement\Core\Commissioning\Procedure\StepState;

/** One step of the procedure as the report says it. */
final readonly class ProcedureLine
{
    /** What it leaves unproved; null when it is closed as expected. */
    public ?string $words;

    /**
     * @param ?string      $maker  who answered, as it was recorded
     * @param list<string> $photos ids of the pictures of this step that have arrived
     */
    public function __construct(
        public Step $step,
        public StepState $state,
        private ?StepAnswer $answer,
        private ?string $maker = null,
        public array $photos = [],
    ) {
        $this->words = match ($state) {
            StepState::Done => null,
            StepState::Noted => "$step->title: closed with a note.",
            StepState::Skipped => "$step->title: left out.",
            StepState::NotSo => "$step->title: not as it should be.",
            StepState::Stopped => "$step->title: a finding of the plan stands against it.",
            StepState::Open, StepState::Locked, StepState::Reopened => "$step->title: not answered.",
        };
    }

    public function found(): string
    {
        return match (true) {
            $this->answer !== null => GivenWords::of($this->answer->given, $this->step),
            $this->state === StepState::Done => 'as expected',
            $this->state === StepState::NotSo => 'does not match',
            default => 'not answered',
        };
    }

    /** Pictures that were taken with the answer and are still on a phone; null when there are none. */
    public function missingPictures(): ?string
    {
        $given = $this->answer->given ?? [];
        $taken = is_array($given['photos'] ?? null) ? $given['photos'] : [];
        $missing = count(array_diff($taken, $this->photos));

        return $missing === 0
            ? null
            : "{$this->step->title}: $missing of " . count($taken) . ' pictures ' . ($missing === 1 ? 'has' : 'have') . ' not arrived.';
    }

    /** @return null|array{name: string, drawing: string} where it is a signature */
    public function signature(): ?array
    {
        $given = $this->answer->given ?? [];

        return $this->step->kind === StepKind::Sign && is_string($given['name'] ?? null) && ($given['so'] ?? null) === true ? [
            'name' => $given['name'],
            'drawing' => is_string($given['drawing'] ?? null) ? $given['drawing'] : '',
        ] : null;
    }

    /** Confirmed as it should be, with nothing more to say. */
    public function isPlainlyDone(): bool
    {
        return $this->state === StepState::Done && array_diff_key($this->answer->given ?? [], ['so' => true, 'photos' => true]) === [];
    }

    public function who(): string
    {
        return $this->maker === null ? '' : User::initialsOf($this->maker);
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
            'id' => $this->step->id,
            'title' => $this->step->title,
            'expect' => $this->step->expectation,
            'expected' => $this->step->expected,
            'state' => $this->state->value,
            'given' => $this->answer === null ? null : (object) $this->answer->given, 'who' => $this->maker,
        ];
    }

    public function pictures(): string
    {
        return count($this->photos) === 1 ? '1 picture' : count($this->photos) . ' pictures';
    }
}
