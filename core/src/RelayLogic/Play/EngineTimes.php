<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** A generating set behind its two-wire input, in milliseconds. */
final readonly class EngineTimes
{
    public function __construct(
        public int $startDelayMs = 0,
        public int $crankMs = 1500,
        public int $crankLimitMs = 10_000,
        public int $crankRestMs = 10_000,
        public int $crankAttempts = 3,
        public int $runUpMs = 4000,
        public int $cooldownMs = 0,
        public int $stopMs = 5000,
    ) {}
}
