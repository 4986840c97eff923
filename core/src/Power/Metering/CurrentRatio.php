<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

/** The ratio of the current transformers, and the one that the meter is set to. */
final readonly class CurrentRatio
{
    public function __construct(
        public float $primaryA,
        private float $secondaryA,
        private float $meterPrimaryA,
        private float $meterSecondaryA,
    ) {}

    /** By which every reading is too small. */
    public function factor(): float
    {
        return $this->primaryA / $this->secondaryA / ($this->meterPrimaryA / $this->meterSecondaryA);
    }
}
