<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\Loads\ShedReason;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class LoadShed extends Event
{
    /** @param float $carriedKw before it was shed */
    public function __construct(
        public int $tMs,
        public readonly string $load,
        private readonly ShedReason $reason,
        private readonly int|float $carriedKw,
        private readonly int|float $limitKw,
        private readonly int $lockedMs,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::LoadShed;
    }

    public function keys(): array
    {
        return ['load' => $this->load, 'reason' => $this->reason->value];
    }

    public function change(SystemState $state): void
    {
        $state->shed[$this->load] = true;
    }

    public function headline(SourceNames $names): string
    {
        return "$this->load shed";
    }

    public function because(SourceNames $names): string
    {
        if ($this->reason === ShedReason::Overload) {
            return sprintf(
                '%s kW is over the limit of %s kW; it is the least important one still on.',
                Figures::figure($this->carriedKw),
                Figures::figure($this->limitKw),
            );
        }
        $wait = $this->lockedMs > 0 ? sprintf(' Its compressor waits %s.', SheetWords::seconds($this->lockedMs)) : '';

        return "what may be shed is let go before the $names->emergency takes the load.$wait";
    }
}
