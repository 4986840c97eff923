<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\ContactReason;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** The controller calls the engine. */
final class StartContactClosed extends Event
{
    public function __construct(public int $tMs, private readonly ContactReason $reason) {}

    public function kind(): EventKind
    {
        return EventKind::StartContactClosed;
    }

    public function change(SystemState $state): void
    {
        $state->isStartContactClosed = true;
        $state->firingsUnused = $this->reason === ContactReason::StartDelay ? 0 : null;
    }

    public function headline(SourceNames $names): string
    {
        return 'Start contact closes';
    }

    public function because(SourceNames $names): string
    {
        return match ($this->reason) {
            ContactReason::StartDelay => "the start delay ran out and the $names->normal has not come back.",
            ContactReason::Test => 'a test asks for the engine.',
            default => "the load is on the $names->emergency and the $names->normal is lost.",
        };
    }
}
