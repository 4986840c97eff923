<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** A dwelling by its area and nameplates, in kVA where nothing else is said. Rule: docs/rules.md#demand. */
final readonly class CalculatedInput
{
    /**
     * @param int                  $circuits       for small appliances and laundry
     * @param list<float>          $appliances     fastened in place
     * @param list<float>          $ranges         nameplates of ranges, ovens, cooktops
     * @param list<float>          $dryers         electric clothes dryers
     * @param list<VehicleCharger> $chargers
     * @param bool                 $areChargersInRest the school that counts them among the general load
     */
    public function __construct(
        public DemandMethod $rule = DemandMethod::Ten,
        public float $floorAreaFt2 = 0.0,
        public float $vaPerFt2 = 3.0,
        public int $circuits = 3,
        public float $vaPerCircuit = 1500.0,
        public array $appliances = [],
        public array $ranges = [],
        public array $dryers = [],
        public array $chargers = [],
        public bool $areChargersInRest = false,
        public float $largestMotorKva = 0.0,
        public float $restPct = 40.0,
        public Hvac $hvac = new Hvac(),
    ) {}

    public function lightingKva(): float
    {
        return ($this->floorAreaFt2 * $this->vaPerFt2 + $this->circuits * $this->vaPerCircuit) / 1000;
    }

    public function chargersKva(): float
    {
        return array_sum(array_map(static fn(VehicleCharger $one): float => $one->demandKva(), $this->chargers));
    }
}
