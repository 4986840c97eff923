<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

final readonly class Engine
{
    public function __construct(
        public int $crankMs,
        public int $crankLimitMs,
        public int $crankRestMs,
        public int $crankAttempts,
        public int $runUpMs,
        public int $stopMs,
    ) {}

    /** @return array<string, int> */
    public function toArray(): array
    {
        return [
            'crank_ms' => $this->crankMs, 'crank_limit_ms' => $this->crankLimitMs, 'crank_rest_ms' => $this->crankRestMs,
            'crank_attempts' => $this->crankAttempts, 'run_up_ms' => $this->runUpMs, 'stop_ms' => $this->stopMs,
        ];
    }
}
