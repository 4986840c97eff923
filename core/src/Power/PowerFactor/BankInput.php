<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

/** A capacitor bank to be chosen. Rule: docs/rules.md#power-factor-bank. */
final readonly class BankInput
{
    /**
     * @param list<CapacitorStage> $steps
     * @param bool                 $isReaching the target may be passed, up to unity
     * @param ?float               $reconnectS least time between off and on; null: not known
     * @param ?float               $systemKva  short-circuit power at the bus
     */
    public function __construct(
        public float $kw,
        public float $pf,
        public float $targetPf,
        public float $vLl,
        public ?CapacitorStage $fixed,
        public array $steps,
        public bool $isReaching,
        public float $conductorFactor,
        public float $breakerFactor,
        public float $dischargeS,
        public ?float $reconnectS,
        public ?float $systemKva,
        public float $nonlinearPct,
        public bool $isDetuned,
        public ?BankGenerator $generator,
    ) {}

    public function kvar(): float
    {
        return $this->kw * tan(acos($this->pf));
    }

    public function neededKvar(): float
    {
        return max(0.0, $this->kvar() - $this->kw * tan(acos($this->targetPf)));
    }

    public function fixedKvar(): float
    {
        return $this->fixed?->kvarAt($this->vLl) ?? 0.0;
    }

    /** @return list<CapacitorStage> */
    public function stages(): array
    {
        return [...($this->fixed === null ? [] : [$this->fixed]), ...$this->steps];
    }

    public function wholeKvar(): float
    {
        return array_sum(array_map(fn(CapacitorStage $stage): float => $stage->kvarAt($this->vLl), $this->stages()));
    }
}
