<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\Reading;
use Escapement\Core\Simulation\Sensing\Latch;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** Beyond a limit for the whole drop-out delay: declared lost. */
final class SourceLost extends Event
{
    /** @param ?Latch $latch null when it is raw good again in the very millisecond */
    public function __construct(
        public int $tMs,
        public readonly Side $source,
        private readonly ?Latch $latch,
        private readonly int $phase,
        private readonly int $sinceMs,
        private readonly Reading $reading,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::SourceLost;
    }

    public function keys(): array
    {
        return ['source' => $this->source->value];
    }

    public function change(SystemState $state): void
    {
        $state->declare($this->source, false);
    }

    public function detail(): string
    {
        return $this->source->value;
    }

    public function headline(SourceNames $names): string
    {
        return ucfirst($names->name($this->source)) . ' declared lost';
    }

    public function because(SourceNames $names): string
    {
        return sprintf(
            'the %s has been beyond its limit since %s: %s.',
            $names->name($this->source),
            SheetWords::clock($this->sinceMs),
            $this->cause(),
        );
    }

    private function cause(): string
    {
        return match ($this->latch) {
            Latch::UnderVoltage => sprintf('%s V is under drop-out', Figures::figure($this->reading->voltsOf($this->phase))),
            Latch::OverVoltage => sprintf('%s V is over drop-out', Figures::figure($this->reading->voltsOf($this->phase))),
            Latch::UnderFrequency, Latch::OverFrequency => sprintf('%s Hz is out of its band', Figures::figure($this->reading->hertz())),
            Latch::Unbalance => 'the phases are too far apart (' . $this->reading->volts() . ')',
            Latch::Rotation => 'the phase rotation is reversed',
            null => 'it is back, and was counted lost',
        };
    }
}
