<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\Story\CircuitMoment;

/** How everything stands at the end of one millisecond of a run. */
final readonly class PlayMoment
{
    /**
     * @param array<string, non-empty-list<float>> $volts   line to neutral of each supply that can fail
     * @param array<string, EngineState>           $engines by supply
     */
    public function __construct(
        public int $tMs,
        public CircuitMoment $circuit,
        public array $volts,
        public LoadBus $bus,
        public array $engines,
    ) {}
}
