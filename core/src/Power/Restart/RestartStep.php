<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Restart;

/** One load comes back. */
final readonly class RestartStep
{
    /** @param float $runningKw with it */
    public function __construct(public float $atS, public RestartLoad $load, public float $dipPct, public float $runningKw) {}

    /** @return array{step: int, t_s: float, id: string, start_kva: float, dip_pct: float, running_kw: float} */
    public function toArray(int $number): array
    {
        return [
            'step' => $number,
            't_s' => $this->atS,
            'id' => $this->load->id,
            'start_kva' => $this->load->startKva,
            'dip_pct' => $this->dipPct,
            'running_kw' => $this->runningKw,
        ];
    }
}
