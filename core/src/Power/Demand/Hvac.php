<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** Heating and cooling of a dwelling, in kVA: the largest of its cases counts, not their sum. Rule: docs/rules.md#demand. */
final readonly class Hvac
{
    /** From here on the units do not all heat at once. */
    private const MANY_UNITS = 4;

    /**
     * @param int  $heatingUnits             separately controlled
     * @param bool $isSupplementalInterlocked the strips never run with the compressor
     * @param bool $isNew                    rule eight only: added after the split, not in it
     */
    public function __construct(
        public float $coolingKva = 0.0,
        public float $heatPumpKva = 0.0,
        public float $supplementalKva = 0.0,
        public float $heatingKva = 0.0,
        public float $thermalStorageKva = 0.0,
        public int $heatingUnits = 1,
        public bool $isSupplementalInterlocked = false,
        public bool $isNew = true,
    ) {}

    /** @return array{string, float} the case that counts and its kVA; `none` and 0 without any */
    public function largest(DemandMethod $rule): array
    {
        $isTen = $rule === DemandMethod::Ten;
        $supplemental = ($isTen ? 0.65 : 1.0) * $this->supplementalKva;
        $cases = [
            'cooling' => $this->coolingKva,
            'heat_pump' => $this->isSupplementalInterlocked ? max($this->heatPumpKva, $supplemental) : $this->heatPumpKva + $supplemental,
            'heating' => $this->heatingKva * match (true) {
                ! $isTen => 1.0,
                $this->heatingUnits < self::MANY_UNITS => 0.65,
                default => 0.4,
            },
            'thermal_storage' => $this->thermalStorageKva,
        ];
        $largest = ['none', 0.0];
        foreach ($cases as $name => $kva) {
            if ($kva > $largest[1]) {
                $largest = [$name, $kva];
            }
        }

        return $largest;
    }
}
