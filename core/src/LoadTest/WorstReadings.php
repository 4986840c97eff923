<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** The worst of each figure over all readings of a test, in one pass: there may be thousands, and each is asked for more than once. */
final readonly class WorstReadings
{
    /** Off nominal, in percent. */
    public float $vPct;
    public float $hzPct;
    public float $vUnbalancePct;
    public float $iUnbalancePct;
    /** @var list<float> where it was read */
    public array $oilKpa;
    /** @var list<float> where it was read */
    public array $coolantC;
    /** At the last reading of it. */
    public ?float $batteryV;

    public function __construct(LoadTestInput $in)
    {
        $nominalV = $in->limits->nominalV;
        $nominalHz = $in->limits->nominalHz;
        $v = $hz = $vUnbalance = $iUnbalance = 0.0;
        $oil = $coolant = [];
        $battery = null;
        foreach ($in->readings as $one) {
            $v = max($v, abs($one->v() - $nominalV));
            $hz = max($hz, abs($one->hz - $nominalHz));
            $vUnbalance = max($vUnbalance, TestReading::unbalancePct($one->vV));
            $iUnbalance = max($iUnbalance, TestReading::unbalancePct($one->aA));
            if ($one->oilKpa !== null) {
                $oil[] = $one->oilKpa;
            }
            if ($one->coolantC !== null) {
                $coolant[] = $one->coolantC;
            }
            $battery = $one->batteryV ?? $battery;
        }
        $this->vPct = 100 * $v / $nominalV;
        $this->hzPct = 100 * $hz / $nominalHz;
        $this->vUnbalancePct = $vUnbalance;
        $this->iUnbalancePct = $iUnbalance;
        $this->oilKpa = $oil;
        $this->coolantC = $coolant;
        $this->batteryV = $battery;
    }
}
