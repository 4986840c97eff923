<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** A utility's transformer by its nameplate. Rule: docs/rules.md#fault-current. */
final readonly class Transformer implements FaultSource
{
    /** @param ?float $primaryMva fault level ahead of it; null: infinite */
    public function __construct(
        private float $kva,
        private float $impedancePct,
        private float $tolerancePct,
        public ?float $primaryMva,
        private float $xr,
        private float $lnFactor,
    ) {}

    public function ratedA(FaultCircuit $circuit): float
    {
        return $circuit->ratedA($this->kva);
    }

    public function ohms(FaultCircuit $circuit): Impedance
    {
        $base = $circuit->drivingV() / $this->ratedA($circuit);
        $own = Impedance::ofSize($base * $this->impedancePct / 100 * (1 - $this->tolerancePct / 100), $this->xr);

        return $this->primaryMva === null ? $own : $own->plus(new Impedance(0.0, $base * ($this->kva / 1000) / $this->primaryMva));
    }

    public function lnFactor(): float
    {
        return $this->lnFactor;
    }
}
