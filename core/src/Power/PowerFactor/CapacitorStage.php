<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

/** One stage of a capacitor bank, by its plate. */
final readonly class CapacitorStage
{
    public function __construct(public string $name, private float $ratedKvar, public float $ratedV, public bool $isSwitchable = true) {}

    /** What it gives at another voltage than its rated one. */
    public function kvarAt(float $v): float
    {
        return $this->ratedKvar * ($v / $this->ratedV) ** 2;
    }
}
