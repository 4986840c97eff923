<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** What a generating set does. Rule: docs/rules.md#relay-play. */
enum EngineState: string
{
    case Stopped = 'stopped';
    case Waiting = 'waiting';
    case Cranking = 'cranking';
    case Resting = 'resting';
    case RunningUp = 'running_up';
    case Running = 'running';
    case Cooling = 'cooling';
    case Coasting = 'coasting';
    case LockedOut = 'locked_out';

    public function hasVolts(): bool
    {
        return $this === self::Running || $this === self::Cooling;
    }
}
