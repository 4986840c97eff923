<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class EngineAtSpeed extends Event
{
    public function __construct(public int $tMs, private readonly int $runUpMs) {}

    public function kind(): EventKind
    {
        return EventKind::EngineAtSpeed;
    }

    public function change(SystemState $state): void
    {
        $state->engine = EngineState::Running;
    }

    public function headline(SourceNames $names): string
    {
        return 'Engine at speed';
    }

    public function because(SourceNames $names): string
    {
        return sprintf('the run-up of %s is over.', Figures::seconds($this->runUpMs));
    }
}
