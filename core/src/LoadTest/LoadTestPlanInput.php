<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Power\Fuel\FuelUse;

/** A load test to be planned. Rule: docs/rules.md#load-test-plan. */
final readonly class LoadTestPlanInput
{
    /**
     * @param float       $buildingKw     what the building takes now
     * @param list<float> $bankElementsKw
     * @param bool        $isBankOnLoad   on the load side of the transfer switch; else on the generator's
     * @param bool        $dropsBank      the bank drops by itself at a real outage or a return
     * @param ?float      $readEveryMin   null: as the profile has it
     * @param FuelUse     $use            by the rated power of the nameplate
     * @param string      $fuelUnit       in which $fuelAvailable is given and the need told: l, gal, ft3, m3 or btu
     */
    public function __construct(
        public TestBase $base,
        public float $buildingKw,
        public bool $usesBuilding,
        public array $bankElementsKw,
        public bool $isBankOnLoad,
        public bool $dropsBank,
        public bool $isColdStart,
        public bool $isMonthlyMet,
        public ?float $readEveryMin,
        public float $warmupMin,
        public float $cooldownMin,
        public FuelUse $use,
        public string $fuelUnit,
        public ?float $fuelAvailable,
    ) {}

    public function totalMin(): float
    {
        $steps = array_sum(array_map(static fn(LoadStep $step): float => $step->minutes, $this->base->steps));

        return $this->warmupMin + $steps + $this->cooldownMin;
    }
}
