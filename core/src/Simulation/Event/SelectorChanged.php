<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class SelectorChanged extends Event
{
    /** @param string $to auto or off */
    public function __construct(public int $tMs, private readonly string $to) {}

    public function kind(): EventKind
    {
        return EventKind::SelectorChanged;
    }

    public function keys(): array
    {
        return ['to' => $this->to];
    }

    public function change(SystemState $state): void
    {
        $state->isAuto = $this->to === 'auto';
    }

    public function detail(): string
    {
        return $this->to;
    }

    public function headline(SourceNames $names): string
    {
        return "Selector to $this->to";
    }

    public function because(SourceNames $names): string
    {
        return $this->to === 'off'
            ? 'somebody turned it off: nothing starts or transfers by itself now.'
            : 'somebody turned it back to automatic.';
    }
}
