<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class TimerStarted extends Event
{
    /**
     * @param bool $isForTest   a transfer delay that a test asked for
     * @param bool $isMinimumRun a cool-down lengthened to the minimum run
     */
    public function __construct(
        public int $tMs,
        public readonly TimerName $timer,
        public readonly int $durationMs,
        private readonly bool $isForTest = false,
        private readonly bool $isMinimumRun = false,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::TimerStarted;
    }

    public function keys(): array
    {
        return ['timer' => $this->timer->value, 'duration_ms' => $this->durationMs];
    }

    public function change(SystemState $state): void
    {
        $state->timers[$this->timer->value] = $this;
    }

    public function detail(): string
    {
        return $this->timer->value;
    }

    public function headline(SourceNames $names): string
    {
        return sprintf('%s starts, %s', $this->timer->label(), Figures::seconds($this->durationMs));
    }

    public function because(SourceNames $names): string
    {
        return match ($this->timer) {
            TimerName::StartDelay => "the $names->normal is lost; a blink is to pass without a start.",
            TimerName::TransferDelay => $this->isForTest
                ? "the $names->emergency is good and the test wants it to carry the load."
                : "the $names->emergency is good; it is to warm up and settle first.",
            TimerName::ReturnDelay => "the $names->normal is good again and has to prove that it stays.",
            TimerName::Cooldown => $this->isMinimumRun
                ? 'nobody needs the engine; the minimum run is longer than the cool-down.'
                : 'nobody needs the engine; it cools down unloaded.',
        };
    }
}
