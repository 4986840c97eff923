<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** What can happen in a simulation, by its name on the wire. Rule: docs/rules.md#metrics. */
enum EventKind: string
{
    case SourceLost = 'source_lost';
    case SourceReturned = 'source_returned';
    case SagRidden = 'sag_ridden';
    case TimerStarted = 'timer_started';
    case TimerCancelled = 'timer_cancelled';
    case TimerExpired = 'timer_expired';
    case StartContactClosed = 'start_contact_closed';
    case StartContactOpened = 'start_contact_opened';
    case CrankStarted = 'crank_started';
    case CrankFailed = 'crank_failed';
    case EngineFired = 'engine_fired';
    case EngineAtSpeed = 'engine_at_speed';
    case EngineStopped = 'engine_stopped';
    case EngineLockedOut = 'engine_locked_out';
    case EngineReset = 'engine_reset';
    case OutageAbandoned = 'outage_abandoned';
    case SwitchOpened = 'switch_opened';
    case SwitchClosed = 'switch_closed';
    case TransferReversed = 'transfer_reversed';
    case ReturnBypassed = 'return_bypassed';
    case TestStarted = 'test_started';
    case TestEnded = 'test_ended';
    case TestRefused = 'test_refused';
    case ExerciseSkipped = 'exercise_skipped';
    case SelectorChanged = 'selector_changed';
    case BusDead = 'bus_dead';
    case BusLive = 'bus_live';
    case LoadShed = 'load_shed';
    case LoadRestored = 'load_restored';
    case OverloadUnresolved = 'overload_unresolved';
    case HandleRefused = 'handle_refused';
}
