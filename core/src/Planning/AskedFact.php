<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Finding\RegisteredFinding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Survey\Question;

/** One fact that a class, a service or a place must have, as it stands. */
final readonly class AskedFact
{
    /**
     * @param null|float|string $answer  as the survey keeps it; null while it is open
     * @param ?Severity             $against how much stands against the answer; null: nothing
     * @param RegisteredFinding     $finding why it is asked, and what to do
     */
    public function __construct(
        public Question $question,
        public FactState $state,
        public null|float|string $answer,
        public ?Severity $against,
        public RegisteredFinding $finding,
    ) {}

    /** The answer as it is read; a figure as it is kept. */
    public function words(): string
    {
        return $this->answer === null ? 'not known' : ($this->question->options[(string) $this->answer] ?? (string) $this->answer);
    }

    /** The page of the survey that asks for it. */
    public function subject(): string
    {
        return $this->question->subject->value;
    }
}
