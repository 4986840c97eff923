<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class TimerExpired extends Event
{
    public function __construct(public int $tMs, public readonly TimerName $timer, private readonly int $durationMs) {}

    public function kind(): EventKind
    {
        return EventKind::TimerExpired;
    }

    public function keys(): array
    {
        return ['timer' => $this->timer->value, 'duration_ms' => $this->durationMs];
    }

    public function change(SystemState $state): void
    {
        unset($state->timers[$this->timer->value]);
    }

    public function detail(): string
    {
        return $this->timer->value;
    }

    public function headline(SourceNames $names): string
    {
        return $this->timer->label() . ' ran out';
    }

    public function because(SourceNames $names): string
    {
        return sprintf('%s have passed without a break.', Figures::seconds($this->durationMs));
    }
}
