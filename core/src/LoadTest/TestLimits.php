<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What the readings of a load test are judged by; the maker's figures replace those of oil, coolant and exhaust. */
final readonly class TestLimits
{
    public function __construct(
        public float $nominalV,
        public float $nominalHz,
        public float $hzPct,
        public float $vPct,
        public float $droopPct,
        public float $levelTolerancePct,
        public float $maxGapS,
        public GovernorClass $class,
        public ?float $ratedA,
        public ?float $minExhaustC,
        public float $minOilKpa,
        public float $minCoolantC,
        public float $maxCoolantC,
        public float $batteryNominalV,
    ) {}
}
