<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

/** The generator that a bank may meet, under the lightest load it will carry. */
final readonly class BankGenerator
{
    public function __construct(
        public float $ratedKva,
        public float $xPu,
        private float $kw,
        private float $pf,
        public float $leadingLimitPct,
        public bool $isAlwaysOff,
    ) {}

    public function loadKvar(): float
    {
        return $this->kw * tan(acos($this->pf));
    }
}
