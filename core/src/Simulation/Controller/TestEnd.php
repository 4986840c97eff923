<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

/** Why a test ended. Rule: docs/rules.md#controller. */
enum TestEnd: string
{
    case Stopped = 'stopped';
    case Finished = 'finished';
    case Outage = 'outage';
    case EmergencyLost = 'emergency_lost';
    case Selector = 'selector';
}
