<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

/**
 * The two sources of a board, by their fault currents. All source impedance is taken as reactance.
 * Rule: docs/rules.md#feeder-schedule3.
 */
final readonly class FeederSupply
{
    /**
     * @param ?float $utilityKa         the utility's own figure; null: by the transformer
     * @param ?float $generatorKva      null: there is no generator
     * @param ?float $sustainedMultiple of rated current; null: no excitation support
     */
    public function __construct(
        public float $vLl,
        private float $transformerKva,
        private float $zPct,
        private ?float $utilityKa,
        public ?float $generatorKva,
        private float $xd2Pct,
        private float $x0Pct,
        public ?float $sustainedMultiple,
    ) {}

    public function vLn(): float
    {
        return $this->vLl / sqrt(3);
    }

    public function utilityOhm(): float
    {
        return $this->utilityKa === null
            ? $this->zPct / 100 * $this->vLl ** 2 / (1000 * $this->transformerKva)
            : $this->vLn() / (1000 * $this->utilityKa);
    }

    public function utilityKa(): float
    {
        return $this->vLn() / $this->utilityOhm() / 1000;
    }

    public function generatorKa(): ?float
    {
        return $this->generatorKva === null ? null : $this->vLn() / ($this->xd2Pct / 100 * $this->baseOhm()) / 1000;
    }

    /** Reactance of the generator in an earth-fault loop. */
    public function generatorLoopOhm(): float
    {
        return (2 * $this->xd2Pct + $this->x0Pct) / 3 / 100 * $this->baseOhm();
    }

    public function generatorA(): ?float
    {
        return $this->generatorKva === null ? null : 1000 * $this->generatorKva / (sqrt(3) * $this->vLl);
    }

    public function maxKa(): float
    {
        return max($this->utilityKa(), $this->generatorKa() ?? 0.0);
    }

    private function baseOhm(): float
    {
        return $this->vLl ** 2 / (1000 * ($this->generatorKva ?? 1.0));
    }
}
