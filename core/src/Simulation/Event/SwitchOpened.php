<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Controller\TransferReason;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class SwitchOpened extends Event
{
    public function __construct(public int $tMs, public readonly Side $from, private readonly TransferReason $reason) {}

    public function kind(): EventKind
    {
        return EventKind::SwitchOpened;
    }

    public function keys(): array
    {
        return ['from' => $this->from->value];
    }

    public function change(SystemState $state): void
    {
        $state->open($this->tMs);
    }

    public function headline(SourceNames $names): string
    {
        return 'Switch opens from the ' . $names->name($this->from);
    }

    public function because(SourceNames $names): string
    {
        return match ($this->reason) {
            TransferReason::Outage => "the $names->normal is lost and the $names->emergency has been good for the transfer delay.",
            TransferReason::Test => 'the test is to carry the load.',
            TransferReason::Return => "the $names->normal has been good for the whole return delay.",
            TransferReason::Bypass => "the $names->emergency is gone and the $names->normal is there: no reason to wait in the dark.",
            TransferReason::Relay => "the $names->emergency is good; this relay prefers it.",
            TransferReason::Hand => 'somebody pulled the handle.',
            TransferReason::RelayRelease => "the $names->emergency is gone; the relay falls back to the $names->normal.",
        };
    }
}
