<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** The loads lose their supply. */
final class BusDead extends Event
{
    /** @param ?Side $side the side the switch is closed on, null while it moves */
    public function __construct(public int $tMs, private readonly ?Side $side) {}

    public function kind(): EventKind
    {
        return EventKind::BusDead;
    }

    public function change(SystemState $state): void
    {
        $state->goDark($this->tMs);
    }

    public function headline(SourceNames $names): string
    {
        return 'Loads dark';
    }

    public function because(SourceNames $names): string
    {
        return $this->side === null
            ? 'the switch is between its two sides.'
            : sprintf('the %s fell below half of its voltage.', $names->name($this->side));
    }
}
