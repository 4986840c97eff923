<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** A generator by its reactances: its fault current falls while the field collapses. Rule: docs/rules.md#fault-current. */
final readonly class GeneratorFault implements FaultSource
{
    /** Generic figures for what the maker did not say. */
    public const TRANSIENT_SHARE = 1.5;
    public const SYNCHRONOUS_PCT = 250.0;
    public const TD2_S = 0.02;
    public const TD1_S = 0.15;
    public const TRIP_S = 0.05;

    /**
     * @param float  $xd2Pct       subtransient
     * @param float  $xd1Pct       transient
     * @param float  $xdPct        synchronous
     * @param ?float $sustainedPct of rated current, with field boost; null: by the synchronous reactance
     * @param float  $tripS        when the current is looked at, in seconds after the fault
     */
    public function __construct(
        private float $kva,
        private float $xd2Pct,
        private float $xd1Pct,
        private float $xdPct,
        private ?float $sustainedPct,
        private float $td2S,
        private float $td1S,
        private float $tripS,
        private float $lnFactor,
    ) {}

    /** One of which the subtransient reactance is known, and nothing more: generic, to be confirmed with the maker's data. */
    public static function byReactance(float $kva, float $xd2Pct): self
    {
        $xd1Pct = self::TRANSIENT_SHARE * $xd2Pct;

        return new self($kva, $xd2Pct, $xd1Pct, max(self::SYNCHRONOUS_PCT, $xd1Pct), null, self::TD2_S, self::TD1_S, self::TRIP_S, 1.0);
    }

    public function ratedA(FaultCircuit $circuit): float
    {
        return $circuit->ratedA($this->kva);
    }

    public function ohms(FaultCircuit $circuit): Impedance
    {
        return new Impedance(0.0, $this->base($circuit) * $this->xd2Pct / 100);
    }

    public function lnFactor(): float
    {
        return $this->lnFactor;
    }

    /** What still flows when a breaker should trip, in kA. */
    public function tripKa(FaultCircuit $circuit, Impedance $loop): float
    {
        $i2 = $this->current($circuit, $loop, $this->xd2Pct);
        $i1 = $this->current($circuit, $loop, $this->xd1Pct);
        $ik = $this->sustainedA($circuit, $loop);

        return (($i2 - $i1) * exp(-$this->tripS / $this->td2S) + ($i1 - $ik) * exp(-$this->tripS / $this->td1S) + $ik) / 1000;
    }

    public function sustainedKa(FaultCircuit $circuit, Impedance $loop): float
    {
        return $this->sustainedA($circuit, $loop) / 1000;
    }

    private function sustainedA(FaultCircuit $circuit, Impedance $loop): float
    {
        return $this->sustainedPct === null
            ? $this->current($circuit, $loop, $this->xdPct)
            : min($this->sustainedPct / 100 * $this->ratedA($circuit), $this->current($circuit, $loop, $this->xd1Pct));
    }

    private function current(FaultCircuit $circuit, Impedance $loop, float $reactancePct): float
    {
        return $circuit->drivingV() / $loop->plus(new Impedance(0.0, $this->base($circuit) * $reactancePct / 100))->size();
    }

    private function base(FaultCircuit $circuit): float
    {
        return $circuit->drivingV() / $this->ratedA($circuit);
    }
}
