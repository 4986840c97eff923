<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Input\Tolerance;

/** A panel of two legs that is to be fed from one. Rule: docs/rules.md#single-leg-jumper. */
final readonly class SingleLegJumperInput
{
    /**
     * @param 'no'|'unknown'|'yes'  $makerAllows
     * @param bool                  $isAlternateEver240 another source ever feeds both legs at 240 V
     * @param list<JumperLoad>      $loads
     * @param float                 $mainA              of the panel
     * @param bool                  $isWorst            by what the breakers let through, not by what flows
     * @param list<MultiwireBranch> $multiwire
     */
    public function __construct(
        public string $makerAllows,
        public bool $isAlternateEver240,
        public float $inverterKw,
        public float $inverterA,
        public float $feederNeutralA,
        public array $loads,
        public float $voltsToNeutral = 120.0,
        public float $mainA = 50.0,
        public bool $isWorst = true,
        public array $multiwire = [],
    ) {}

    /** Of what runs on one leg. */
    public function totalKw(): float
    {
        $onOneLeg = array_filter($this->loads, static fn(JumperLoad $load): bool => $load->isOnOneLeg());

        return array_sum(array_map(static fn(JumperLoad $load): float => $load->kw, $onOneLeg));
    }

    public function totalA(): float
    {
        return 1000 * $this->totalKw() / $this->voltsToNeutral;
    }

    /** What the neutral of the feeder carries: both legs are in phase. */
    public function feederNeutralAmps(): float
    {
        return $this->isWorst ? min(2 * $this->mainA, $this->inverterA) : $this->totalA();
    }

    public function isFeederOverloaded(): bool
    {
        return Tolerance::exceeds($this->feederNeutralAmps(), $this->feederNeutralA);
    }

    /** What the inverter gives through its own breaker. */
    public function maxKw(): float
    {
        return min($this->inverterKw, $this->inverterA * $this->voltsToNeutral / 1000);
    }

    /** @return list<string> loads that need both legs */
    public function cannotRun(): array
    {
        $two = array_filter($this->loads, static fn(JumperLoad $load): bool => ! $load->isOnOneLeg() && $load->kw > 0);

        return array_values(array_map(static fn(JumperLoad $load): string => $load->id, $two));
    }

    /** @return list<string> neutrals that are only safe because the inverter's breaker trips first */
    public function reliedOn(): array
    {
        $isFeeder = $this->isWorst && ! $this->isFeederOverloaded() && Tolerance::exceeds(2 * $this->mainA, $this->feederNeutralA);
        $branches = array_filter($this->multiwire, fn(MultiwireBranch $one): bool => $one->reliesOnInverter($this));

        return [...($isFeeder ? ['feeder'] : []), ...array_column($branches, 'id')];
    }
}
