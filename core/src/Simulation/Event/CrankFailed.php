<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class CrankFailed extends Event
{
    public function __construct(public int $tMs, private readonly int $attempt, private readonly int $crankLimitMs) {}

    public function kind(): EventKind
    {
        return EventKind::CrankFailed;
    }

    public function keys(): array
    {
        return ['attempt' => $this->attempt];
    }

    public function change(SystemState $state): void
    {
        $state->engine = EngineState::Resting;
    }

    public function headline(SourceNames $names): string
    {
        return "Crank $this->attempt did not fire";
    }

    public function because(SourceNames $names): string
    {
        return sprintf('it did not fire within the crank limit of %s.', Figures::seconds($this->crankLimitMs));
    }
}
