<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class CrankStarted extends Event
{
    public function __construct(
        public int $tMs,
        private readonly int $attempt,
        private readonly int $attempts,
        private readonly bool $isByHand,
    ) {}

    public function kind(): EventKind
    {
        return EventKind::CrankStarted;
    }

    public function keys(): array
    {
        return ['attempt' => $this->attempt];
    }

    public function change(SystemState $state): void
    {
        $state->engine = EngineState::Cranking;
    }

    public function headline(SourceNames $names): string
    {
        return "Crank $this->attempt begins";
    }

    public function because(SourceNames $names): string
    {
        return $this->isByHand
            ? "the $names->emergency was started by hand."
            : "the engine is asked for; attempt $this->attempt of $this->attempts.";
    }
}
