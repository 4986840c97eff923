<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** The circuit a fault is on. Rule: docs/rules.md#fault-current. */
final readonly class FaultCircuit
{
    /**
     * @param 'single_phase'|'split_phase'|'three_phase' $kind
     * @param float                                      $v    line to line; of a two-wire circuit its voltage
     */
    public function __construct(public string $kind, public float $v) {}

    public function isThreePhase(): bool
    {
        return $this->kind === 'three_phase';
    }

    public function isSplit(): bool
    {
        return $this->kind === 'split_phase';
    }

    /** The voltage that drives the fault. */
    public function drivingV(): float
    {
        return $this->isThreePhase() ? $this->v / sqrt(3) : $this->v;
    }

    public function ratedA(float $kva): float
    {
        return $kva * 1000 / ($this->isThreePhase() ? sqrt(3) * $this->v : $this->v);
    }

    /** How often a run's conductor counts: out and back, or once where the phases balance. */
    public function loops(): int
    {
        return $this->isThreePhase() ? 1 : 2;
    }
}
