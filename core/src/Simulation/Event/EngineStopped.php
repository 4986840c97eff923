<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** Nobody asks for the engine: its voltage is gone at once, and it coasts until it stands. */
final class EngineStopped extends Event
{
    /** @param ?int $ranMs since it fired, null when it had not */
    public function __construct(public int $tMs, public readonly ?int $ranMs, private readonly int $coastMs) {}

    public function kind(): EventKind
    {
        return EventKind::EngineStopped;
    }

    public function change(SystemState $state): void
    {
        $state->stopEngine(EngineState::Coasting, $this->tMs);
        $state->engineStandsAtMs = $this->tMs + $this->coastMs;
    }

    public function headline(SourceNames $names): string
    {
        return 'Engine stops';
    }

    public function because(SourceNames $names): string
    {
        return $this->ranMs === null
            ? 'nobody asks for it any more; it had not fired.'
            : sprintf('nobody asks for it any more; it ran %s.', Figures::seconds($this->ranMs));
    }
}
