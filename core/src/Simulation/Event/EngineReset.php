<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class EngineReset extends Event
{
    public function __construct(public int $tMs) {}

    public function kind(): EventKind
    {
        return EventKind::EngineReset;
    }

    public function change(SystemState $state): void
    {
        $state->engine = EngineState::Stopped;
    }

    public function headline(SourceNames $names): string
    {
        return 'Lock-out cleared';
    }

    public function because(SourceNames $names): string
    {
        return 'somebody reset the lock-out.';
    }
}
