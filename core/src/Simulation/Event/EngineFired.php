<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class EngineFired extends Event
{
    public function __construct(public int $tMs, private readonly int $crankMs, public readonly int $runUpMs) {}

    public function kind(): EventKind
    {
        return EventKind::EngineFired;
    }

    public function change(SystemState $state): void
    {
        $state->fire($this->tMs);
    }

    public function headline(SourceNames $names): string
    {
        return 'Engine fires';
    }

    public function because(SourceNames $names): string
    {
        $needed = Figures::seconds($this->crankMs);

        return sprintf('it needed %s of cranking; volts rise over %s.', $needed, Figures::seconds($this->runUpMs));
    }
}
