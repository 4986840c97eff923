<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** What can happen to a panel. */
enum PlayVerb: string
{
    case SetSupply = 'set_supply';
    case LosePhase = 'lose_phase';
    case Restore = 'restore';
    case Reverse = 'reverse';
    case Selector = 'selector';
    case Press = 'press';
    case Release = 'release';
    case Handle = 'handle';
    case Hand = 'hand';
    case Fault = 'fault';
    case Clear = 'clear';
    case CrankFailures = 'crank_failures';
    case EngineTrip = 'engine_trip';
    case EngineReset = 'engine_reset';
}
