<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/** The generator behind the same panel. */
final readonly class BalanceGenerator
{
    public function __construct(public float $ratedA, public float $i2LimitPct, public float $spreadLimitPct) {}
}
