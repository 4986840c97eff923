<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Controller\TimerCut;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** The condition of a running timer broke; it keeps nothing of what had passed. */
final class TimerCancelled extends Event
{
    public function __construct(
        public int $tMs,
        public readonly TimerName $timer,
        private readonly int $durationMs,
        private readonly int $elapsedMs,
        public readonly TimerCut $cut,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::TimerCancelled;
    }

    public function keys(): array
    {
        return ['timer' => $this->timer->value, 'duration_ms' => $this->durationMs, 'elapsed_ms' => $this->elapsedMs];
    }

    public function change(SystemState $state): void
    {
        unset($state->timers[$this->timer->value]);
        if ($this->timer === TimerName::StartDelay && $state->isNormalGood) {
            $state->startsAvoided++;
        } elseif ($this->timer === TimerName::ReturnDelay && $this->cut === TimerCut::NormalLost) {
            $state->returnResets++;
        }
    }

    public function detail(): string
    {
        return $this->timer->value;
    }

    public function headline(SourceNames $names): string
    {
        return sprintf('%s cut at %s', $this->timer->label(), Figures::seconds($this->elapsedMs));
    }

    public function because(SourceNames $names): string
    {
        return match ($this->cut) {
            TimerCut::NormalReturned => "the $names->normal came back in time: no start.",
            TimerCut::NormalLost => "the $names->normal was lost again. A cut timer keeps nothing.",
            TimerCut::EmergencyLost => "the $names->emergency is not good any more.",
            TimerCut::Selector => 'the selector was turned off.',
            TimerCut::Test => 'a test needs the engine again.',
            TimerCut::EngineGone => 'the engine is not running any more.',
            TimerCut::NoReasonToTransfer => 'there is no reason left to transfer.',
        };
    }
}
