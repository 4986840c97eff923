<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

/** A machine at a load, and what its fuel comes through. Rule: docs/rules.md#fuel. */
final readonly class FuelInput
{
    public FuelUse $use;

    /**
     * @param 'diesel'|'lp'|'natural_gas'|'petrol' $fuel
     * @param ?FuelUse    $use    null: generic, by the rated kW
     * @param ?VapourTank $vapour of liquid gas
     */
    public function __construct(
        public string $fuel,
        public float $ratedKw,
        public float $loadKw,
        ?FuelUse $use = null,
        public ?Tank $tank = null,
        public ?VapourTank $vapour = null,
        public ?GasSupply $gas = null,
        public ?GasPressure $pressure = null,
        public ?GasPipe $pipe = null,
    ) {
        $this->use = $use ?? FuelUse::generic($fuel, $ratedKw, FuelUse::usualBtuPerFt3($fuel));
    }
}
