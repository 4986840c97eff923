<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

/** A test as a device was polled. Rule: docs/rules.md#log-to-readings. */
final readonly class LogReadingsInput
{
    /** @param non-empty-list<Poll> $polls in the order of time */
    public function __construct(
        public array $polls,
        public float $intervalS,
        public float $nominalV,
        public float $nominalHz,
        public float $stepKw,
        public float $windowS,
        public float $vBandPct,
        public float $hzBandPct,
    ) {}
}
