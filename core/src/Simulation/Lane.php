<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Engine\EngineState;

/** What a timeline shows from left to right. A new lane is a case here and its line in read(). */
enum Lane
{
    case Normal;
    case Emergency;
    case Position;
    case Feed;
    case Engine;
    case StartContact;
    case Test;
    case Selector;

    /** The word of the lane for a state at a moment; an engine that cools down runs because a timer keeps it. */
    public function read(SystemState $state, int $atMs): string
    {
        return match ($this) {
            self::Normal => $state->isNormalGood ? 'good' : 'lost',
            self::Emergency => $state->isEmergencyGood ? 'good' : 'lost',
            self::Position => $state->position(),
            self::Feed => $state->feed(),
            self::Engine => self::engine($state, $atMs),
            self::StartContact => $state->isStartContactClosed ? 'closed' : 'open',
            self::Test => $state->test->value,
            self::Selector => $state->isAuto ? 'auto' : 'off',
        };
    }

    private static function engine(SystemState $state, int $atMs): string
    {
        return match (true) {
            $state->engine === EngineState::Coasting && $atMs >= $state->engineStandsAtMs => EngineState::Stopped->value,
            $state->engine === EngineState::Running && isset($state->timers[TimerName::Cooldown->value]) => 'cooling',
            default => $state->engine->value ?? '',
        };
    }
}
