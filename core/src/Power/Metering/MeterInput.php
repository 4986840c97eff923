<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

/** What a panel meter shows on three phases. Rule: docs/rules.md#three-phase-meter. */
final readonly class MeterInput
{
    /**
     * @param null|list<float> $vV       line to neutral; null: a three-wire meter
     * @param null|list<float> $vLlV     L1L2, L2L3, L3L1
     * @param list<float>      $iA       as the meter reads
     * @param list<float>      $pf
     * @param list<bool>       $isLeading
     * @param ?CurrentRatio    $ct
     * @param null|list<float> $vDeg     angles
     * @param null|list<float> $iDeg
     * @param null|list<float> $kwMeter  by channel
     * @param ?float           $neutralA as measured
     * @param 'abc'|'acb'      $expected rotation
     */
    public function __construct(
        public ?array $vV,
        public ?array $vLlV,
        public array $iA,
        public array $pf,
        public array $isLeading,
        public ?CurrentRatio $ct,
        public ?array $vDeg,
        public ?array $iDeg,
        public ?array $kwMeter,
        public ?float $neutralA,
        public string $expected,
    ) {}

    public function factor(): float
    {
        return $this->ct?->factor() ?? 1.0;
    }

    /** @return list<float> the true currents */
    public function currents(): array
    {
        return array_map(fn(float $i): float => $i * $this->factor(), $this->iA);
    }

    /** @return list<float> line to neutral, of a three-wire meter assumed from its line voltages */
    public function volts(): array
    {
        return $this->vV ?? array_fill(0, 3, array_sum($this->vLlV ?? []) / 3 / sqrt(3));
    }

    /** @return list<float> kW of each phase */
    public function kw(): array
    {
        if ($this->kwMeter !== null) {
            return array_map(fn(float $kw): float => $kw * $this->factor(), $this->kwMeter);
        }

        return array_map(static fn(float $kva, float $pf): float => $kva * $pf, $this->kva(), $this->pf);
    }

    /** @return list<float> kVA of each phase */
    public function kva(): array
    {
        return array_map(static fn(float $v, float $i): float => $v * $i / 1000, $this->volts(), $this->currents());
    }
}
