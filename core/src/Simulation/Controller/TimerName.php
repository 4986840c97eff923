<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

/** The controller's timers, in the order in which they expire within one millisecond. Rule: docs/rules.md#millisecond. */
enum TimerName: string
{
    case StartDelay = 'start_delay';
    case TransferDelay = 'transfer_delay';
    case ReturnDelay = 'return_delay';
    case Cooldown = 'cooldown';

    public function label(): string
    {
        return match ($this) {
            self::StartDelay => 'Start delay',
            self::TransferDelay => 'Transfer delay',
            self::ReturnDelay => 'Return delay',
            self::Cooldown => 'Cool-down',
        };
    }
}
