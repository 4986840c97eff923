<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

/** What broke the condition of a running timer. */
enum TimerCut: string
{
    case NormalReturned = 'normal_returned';
    case NormalLost = 'normal_lost';
    case EmergencyLost = 'emergency_lost';
    case Selector = 'selector';
    case Test = 'test';
    case EngineGone = 'engine_gone';
    case NoReasonToTransfer = 'no_reason_to_transfer';
}
