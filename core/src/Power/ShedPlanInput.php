<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Plant\LegSystem;

/** Loads and the source they have to fit. Rule: docs/rules.md#shed-plan. */
final readonly class ShedPlanInput
{
    /**
     * @param float          $baseKw     runs whatever is left off
     * @param list<float>    $legLimitsA amperes of each leg; empty: the legs do not limit
     * @param list<ShedLoad> $loads
     */
    public function __construct(
        public LegSystem $system,
        public float $usableKw,
        public array $loads,
        public float $baseKw = 0.0,
        public array $legLimitsA = [],
        public bool $isInverter = false,
    ) {}

    /** @return list<int> places of the chargers of the source's own battery: on an inverter they only cost */
    public function chargers(): array
    {
        return array_keys(array_filter($this->loads, fn(ShedLoad $one): bool => $this->isInverter && $one->charges));
    }

    /** @return list<int> */
    public function mustRun(): array
    {
        return array_keys(array_filter($this->loads, static fn(ShedLoad $one): bool => $one->mustRun));
    }

    /** @return non-empty-list<float> what the load at this place takes: kW, and amperes of each leg where those limit */
    public function needs(int $place): array
    {
        $load = $this->loads[$place]->load;

        return $this->legLimitsA === [] ? [$load->kw] : [$load->kw, ...(new LegCurrents($this->system, [$load]))->arithmeticA];
    }

    /**
     * @param list<int> $places
     *
     * @return list<string>
     */
    public function names(array $places): array
    {
        return array_map(fn(int $place): string => $this->loads[$place]->load->id, $places);
    }
}
