<?php

declare(strict_types=1);

namespace Escapement\Core\Terminations;

/** One run between two enclosures, sized: what lands at its ends and what it is pulled through. */
final readonly class Feeder
{
    /**
     * @param string       $from    element of the one-line
     * @param string       $to      element of the one-line
     * @param list<string> $phases  L1, L2 …
     * @param ?string      $egc     size of its grounding conductor; null ahead of the main, where the neutral carries a fault
     */
    public function __construct(
        public string $name,
        public string $from,
        public string $to,
        public array $phases,
        public string $material,
        public string $size,
        public ?string $egc,
        public int $sets,
        public string $raceway,
        public string $tradeSize,
        public float $lengthM,
    ) {}

    /** Conductors in one raceway. */
    public function count(): int
    {
        return count($this->phases) + 1 + ($this->egc === null ? 0 : 1);
    }
}
