<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

final readonly class LoadShedding
{
    public function __construct(
        public int|float $limitKw,
        public int $firstStepMs,
        public int $stepMs,
        public int $overloadMs,
        public int $lockoutMs,
    ) {}

    /** @return array<string, int|float> */
    public function toArray(): array
    {
        return [
            'limit_kw' => $this->limitKw, 'first_step_ms' => $this->firstStepMs, 'step_ms' => $this->stepMs,
            'overload_ms' => $this->overloadMs, 'lockout_ms' => $this->lockoutMs,
        ];
    }
}
