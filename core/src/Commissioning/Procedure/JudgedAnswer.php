<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** An answer that was kept: to what it was given, in words and as data, and what it was worth then. */
final readonly class JudgedAnswer
{
    /** @param ?string $expected null: from before words and data were told apart */
    public function __construct(
        public string $step,
        public string $expectation,
        public Verdict $verdict,
        public ?string $expected = null,
    ) {}

    /** Whether it answers what the step asks now; other words for the same thing are no other question. */
    public function answers(Step $step): bool
    {
        return $this->expected === null
            ? $this->expectation === $step->expectation || $step->isTheSameEverywhere()
            : $this->expected === $step->expected;
    }
}
