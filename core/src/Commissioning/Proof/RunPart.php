<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** One part of a proof in one run. */
final readonly class RunPart
{
    /**
     * @param list<string> $why   what failed or is missing, in sentences
     * @param list<string> $steps ids of the steps of the procedure that are open or not as they should be
     */
    public function __construct(
        public ProofPart $part,
        public PartOutcome $outcome,
        public bool $isNoted = false,
        public array $why = [],
        public array $steps = [],
    ) {}

    /** @return array{part: string, outcome: string, noted: bool, why: list<string>} */
    public function toArray(): array
    {
        return ['part' => $this->part->value, 'outcome' => $this->outcome->value, 'noted' => $this->isNoted, 'why' => $this->why];
    }

    /** The first three reasons, and how many more there are. */
    public function whyInShort(): string
    {
        $more = count($this->why) - 3;

        return implode(' ', array_slice($this->why, 0, 3)) . ($more > 0 ? " And $more more." : '');
    }
}
