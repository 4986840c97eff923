<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** The available fault current as the utility's letter states it. Rule: docs/rules.md#fault-current. */
final readonly class KnownFault implements FaultSource
{
    public function __construct(private float $faultKa, private float $xr, private float $lnFactor) {}

    public function ratedA(FaultCircuit $circuit): null
    {
        return null;
    }

    public function ohms(FaultCircuit $circuit): Impedance
    {
        return Impedance::ofSize($circuit->drivingV() / (1000 * $this->faultKa), $this->xr);
    }

    public function lnFactor(): float
    {
        return $this->lnFactor;
    }
}
