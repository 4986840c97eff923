<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class SwitchClosed extends Event
{
    public function __construct(public int $tMs, public readonly Side $to, private readonly int $moveMs) {}

    public function kind(): EventKind
    {
        return EventKind::SwitchClosed;
    }

    public function keys(): array
    {
        return ['to' => $this->to->value];
    }

    public function change(SystemState $state): void
    {
        $state->close($this->to, $this->tMs);
    }

    public function detail(): string
    {
        return $this->to->value;
    }

    public function headline(SourceNames $names): string
    {
        return 'Switch closes on the ' . $names->name($this->to);
    }

    public function because(SourceNames $names): string
    {
        return sprintf('moving takes %s.', Figures::seconds($this->moveMs));
    }
}
