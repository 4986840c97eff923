<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Engine;

enum EngineState: string
{
    case Stopped = 'stopped';
    case Cranking = 'cranking';
    case Resting = 'resting';
    case RunningUp = 'running_up';
    case Running = 'running';
    case Coasting = 'coasting';
    case LockedOut = 'locked_out';

    public function turnsByItself(): bool
    {
        return $this === self::RunningUp || $this === self::Running;
    }

    /** An engine at rest, coasting or locked out does not wait for anybody to want it. */
    public function endsWithDemand(): bool
    {
        return $this === self::Cranking || $this === self::Resting || $this->turnsByItself();
    }
}
