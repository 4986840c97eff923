<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

final class EngineLockedOut extends Event
{
    public const OVERCRANK = 'overcrank';

    public function __construct(public int $tMs, private readonly string $reason, private readonly int $attempts) {}

    public function kind(): EventKind
    {
        return EventKind::EngineLockedOut;
    }

    public function keys(): array
    {
        return ['reason' => $this->reason];
    }

    public function change(SystemState $state): void
    {
        $state->stopEngine(EngineState::LockedOut, $this->tMs);
    }

    public function isTrip(): bool
    {
        return $this->reason !== self::OVERCRANK;
    }

    public function headline(SourceNames $names): string
    {
        return "Engine locked out: $this->reason";
    }

    public function because(SourceNames $names): string
    {
        return $this->isTrip()
            ? "it tripped: $this->reason. It stays off until it is reset."
            : "$this->attempts attempts did not fire; somebody has to go there and reset it.";
    }
}
