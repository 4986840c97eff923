<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\Loads\ShedReason;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class LoadRestored extends Event
{
    /** @param float $carriedKw before it came back */
    public function __construct(
        public int $tMs,
        public readonly string $load,
        private readonly ShedReason $reason,
        private readonly int|float $carriedKw,
        private readonly int|float $loadKw,
        private readonly int|float $limitKw,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::LoadRestored;
    }

    public function keys(): array
    {
        return ['load' => $this->load, 'reason' => $this->reason->value];
    }

    public function change(SystemState $state): void
    {
        unset($state->shed[$this->load]);
    }

    public function headline(SourceNames $names): string
    {
        return "$this->load back on";
    }

    public function because(SourceNames $names): string
    {
        return $this->reason === ShedReason::Normal ? "the load is back on the $names->normal." : sprintf(
            '%s + %s kW fits the %s kW.',
            Figures::figure($this->carriedKw),
            Figures::figure($this->loadKw),
            Figures::figure($this->limitKw),
        );
    }
}
