<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** One step of a planned load test: what the bank adds, and when. */
final readonly class PlannedStep
{
    /** @param list<int> $elements of the bank, by index */
    public function __construct(
        public float $levelPct,
        public float $minutes,
        public float $targetKw,
        public float $bankKw,
        public array $elements,
        public float $kw,
        public float $loadPct,
        public float $shortKw,
        public float $startS,
        public float $endS,
    ) {}
}
