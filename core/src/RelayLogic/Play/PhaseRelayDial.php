<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** What a phase relay looks at, its limits in percent of nominal, and its times. A limit that is null is not watched. */
final readonly class PhaseRelayDial
{
    public function __construct(
        public bool $sensesLoad = false,
        public bool $measuresLines = false,
        public ?float $underPct = 85,
        public ?float $overPct = 115,
        public float $hysteresisPct = 3,
        public ?float $unbalancePct = null,
        public float $unbalanceHysteresisPct = 2,
        public ?float $lossPct = 50,
        public bool $watchesSequence = true,
        public int $tripMs = 500,
        public int $lossTripMs = 100,
        public int $resetMs = 1000,
    ) {}
}
