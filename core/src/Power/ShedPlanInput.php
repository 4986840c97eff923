<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Plant\LegSystem;

/** Loads and the source they have to fit. Rule: docs/rules.md#shed-plan. */
final readonly class ShedPlanInput
{
    /**
     * @param float          $baseKw     runs whatever is left off
     * @param list<float>    $legLimitsA amperes of each leg; empty: the legs do not limit
     * @param list<ShedLoad> $loads
     */
    public function __construct(
        public LegSystem $system,
        public float $usableKw,
        public array $loads,
        public float $baseKw = 0.0,
        public array $legLimitsA = [],
        public bool $isInverter = false,
    ) {}
}
