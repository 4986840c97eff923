<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** A peak that a meter or a recording showed. Rule: docs/rules.md#demand. */
final readonly class MeasuredInput
{
    /** @param ?float $peakKw exactly one of both peaks is given */
    public function __construct(
        public ?float $peakKw = null,
        public ?float $peakA = null,
        public float $pf = 1.0,
        public float $factor = 1.25,
        public int $periodDays = 365,
        public float $intervalMin = 15.0,
        public bool $includesHvac = true,
        public float $newKva = 0.0,
    ) {}
}
