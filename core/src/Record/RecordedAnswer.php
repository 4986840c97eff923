<?php

declare(strict_types=1);

namespace Escapement\Core\Record;

use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;

/** An answer to a step as a record tells it. */
final readonly class RecordedAnswer
{
    /**
     * @param array<string, mixed> $given
     * @param ?string              $expected null: from before words and data were told apart
     */
    public function __construct(
        public string $id,
        public string $step,
        public string $expectation,
        public ?string $expected,
        public array $given,
        public Verdict $verdict,
        public ?string $clientWall,
        public string $who,
        public string $receivedAt,
    ) {}

    public function judged(): JudgedAnswer
    {
        return new JudgedAnswer($this->step, $this->expectation, $this->verdict, $this->expected);
    }
}
