<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

/** What a meter and a set showed at one moment. Rule: docs/rules.md#log-to-readings. */
final readonly class Poll
{
    /**
     * @param non-empty-list<float> $v line to neutral, per leg
     * @param list<float>           $a
     */
    public function __construct(
        public int $tMs,
        public array $v,
        public array $a,
        public float $hz,
        public float $kw,
        public float $pf,
        public ?float $oilKpa,
        public ?float $coolantC,
        public ?float $exhaustC,
        public ?float $batteryV,
    ) {}

    public function meanV(): float
    {
        return array_sum($this->v) / count($this->v);
    }

    /** @return array<string, mixed> as a reading of a load test */
    public function reading(): array
    {
        return [
            't_s' => $this->tMs / 1000, 'v_v' => $this->v, 'a_a' => $this->a, 'hz' => $this->hz, 'kw' => $this->kw, 'pf' => $this->pf,
            'oil_kpa' => $this->oilKpa, 'coolant_c' => $this->coolantC, 'exhaust_c' => $this->exhaustC, 'battery_v' => $this->batteryV,
        ];
    }
}
