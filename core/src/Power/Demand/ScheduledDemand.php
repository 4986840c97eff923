<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** The demand of a schedule of loads, on their legs. Rule: docs/rules.md#demand, docs/rules.md#legs. */
final readonly class ScheduledDemand
{
    /**
     * @param list<float> $legA
     * @param list<float> $legArithA the cautious school: plain sums
     */
    public function __construct(
        public float $kw,
        public float $kvar,
        public float $demandKva,
        public float $demandA,
        public array $legA,
        public array $legArithA,
        public float $imbalancePct,
        public float $neutralFundamentalA,
        public float $neutralTriplenA,
        public float $neutralA,
    ) {}
}
