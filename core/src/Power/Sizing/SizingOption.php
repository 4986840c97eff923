<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

/** One way to carry the loads: what it asks of the source, and whether the source gives it. Rule: docs/rules.md#sizing. */
final readonly class SizingOption
{
    /**
     * @param bool        $available   whether the site can do it at all
     * @param list<float> $legA
     * @param float       $headroomPct the smallest share left of kW, kVA and each leg
     */
    public function __construct(
        public bool $available,
        public float $kw,
        public float $kva,
        public array $legA,
        public float $imbalancePct,
        public bool $fits,
        public float $headroomPct,
    ) {}
}
