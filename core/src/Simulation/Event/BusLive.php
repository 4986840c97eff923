<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** The loads have a supply again. */
final class BusLive extends Event
{
    public function __construct(public int $tMs, private readonly Side $side) {}

    public function kind(): EventKind
    {
        return EventKind::BusLive;
    }

    public function change(SystemState $state): void
    {
        $state->goLive($this->tMs);
    }

    public function headline(SourceNames $names): string
    {
        return 'Loads live';
    }

    public function because(SourceNames $names): string
    {
        return sprintf('the switch is closed on the %s, and it has voltage.', $names->name($this->side));
    }
}
