<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** The demand by calculation. Rule: docs/rules.md#demand. */
final readonly class CalculatedDemand
{
    public function __construct(
        public float $generalKva,
        public float $baseKva,
        public float $hvacKva,
        public string $hvacCase,
        public float $evKva,
        public float $demandKva,
        public float $demandA,
    ) {}
}
