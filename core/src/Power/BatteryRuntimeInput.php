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

    /** What may be taken out of it, or of more of the same. */
    public function usableKwh(float $extraKwh = 0.0): float
    {
        return ($this->batteryKwh + $extraKwh) * $this->capacity * max(0.0, $this->startSocPct - (100 - $this->depthPct)) / 100;
    }

    /** By the share of time in which each load runs. */
    public function loadKw(): float
    {
        return array_sum(array_map(static fn(StationLoad $one): float => $one->kw * $one->duty, $this->loads));
    }

    /** What the station's own charger takes out of its inverter. */
    public function loopKw(): float
    {
        return $this->chargerIsOn ? $this->chargerKw : 0.0;
    }

    /** With everything running at once. */
    public function peakKw(): float
    {
        return array_sum(array_map(static fn(StationLoad $one): float => $one->kw, $this->loads)) + $this->loopKw();
    }

    /** Out of the battery, with that much going round through the charger. */
    public function drainKw(float $loopKw): float
    {
        return ($this->loadKw() + $loopKw) / $this->inverterEfficiency + $this->idleKw - $loopKw * $this->chargerEfficiency;
    }

    /** What going round through the charger costs. */
    public function loopLossKw(): float
    {
        return $this->loopKw() / $this->inverterEfficiency - $this->loopKw() * $this->chargerEfficiency;
    }
}
