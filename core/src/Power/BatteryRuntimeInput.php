<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** A battery station with its loads. Rule: docs/rules.md#battery-runtime. */
final readonly class BatteryRuntimeInput
{
    public float $depthPct;

    /**
     * @param float                      $batteryKwh         as on the plate
     * @param 'agm'|'lead'|'lfp'|'nmc'   $chemistry
     * @param list<StationLoad>          $loads
     * @param ?float                     $depthPct           of discharge; null: what is usual for the chemistry
     * @param float                      $startSocPct        charged at the beginning
     * @param float                      $inverterEfficiency 0 to 1
     * @param float                      $capacity           share that is left of it, by age and cold
     * @param ?float                     $continuousKw       that the inverter gives
     * @param float                      $chargerKw          taken from the inverter by the station's own charger
     * @param float                      $chargerEfficiency  0 to 1
     * @param list<float>                $extraKwh           more batteries to look at
     */
    public function __construct(
        public float $batteryKwh,
        public string $chemistry,
        public array $loads,
        ?float $depthPct = null,
        public float $startSocPct = 100.0,
        public float $inverterEfficiency = 0.9,
        public float $idleKw = 0.03,
        public float $capacity = 1.0,
        public ?float $continuousKw = null,
        public float $chargerKw = 0.0,
        public float $chargerEfficiency = 0.85,
        public bool $chargerIsOn = false,
        public array $extraKwh = [],
    ) {
        $this->depthPct = $depthPct ?? BatteryRuntime::DEPTH_PCT[$chemistry];
    }
}
