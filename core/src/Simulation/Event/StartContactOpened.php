<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\ContactReason;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** The controller lets the engine go. */
final class StartContactOpened extends Event
{
    public function __construct(public int $tMs, private readonly ContactReason $reason) {}

    public function kind(): EventKind
    {
        return EventKind::StartContactOpened;
    }

    public function change(SystemState $state): void
    {
        $state->isStartContactClosed = false;
        if ($state->isNormalGood) {
            $state->nuisanceStarts += $state->firingsUnused ?? 0;
        }
        $state->firingsUnused = null;
    }

    public function headline(SourceNames $names): string
    {
        return 'Start contact opens';
    }

    public function because(SourceNames $names): string
    {
        return match ($this->reason) {
            ContactReason::Cooldown => 'the engine has cooled down and nobody needs it.',
            ContactReason::Selector => 'the selector was turned off.',
            default => 'nobody needs the engine, and it is not running, so it has nothing to cool down from.',
        };
    }
}
