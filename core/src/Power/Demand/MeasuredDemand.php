<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** The demand by measurement. Rule: docs/rules.md#demand. */
final readonly class MeasuredDemand
{
    public function __construct(public float $peakKva, public float $demandKva, public float $demandA) {}
}
