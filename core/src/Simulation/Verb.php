<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** What a scenario can do: the `do` of an event. Rule: docs/rules.md#scenario. */
enum Verb: string
{
    case SetSource = 'set_source';
    case RampSource = 'ramp_source';
    case CrankFailures = 'crank_failures';
    case EngineTrip = 'engine_trip';
    case EngineReset = 'engine_reset';
    case StartGenerator = 'start_generator';
    case StopGenerator = 'stop_generator';
    case TestStart = 'test_start';
    case TestStop = 'test_stop';
    case Selector = 'selector';
    case SetLoad = 'set_load';

    public function needsEngine(): bool
    {
        return match ($this) {
            self::CrankFailures, self::EngineTrip, self::EngineReset, self::StartGenerator, self::StopGenerator => true,
            self::SetSource, self::RampSource, self::TestStart, self::TestStop, self::Selector, self::SetLoad => false,
        };
    }

    /** A mobile relay has no controller that could be tested or switched off. */
    public function needsController(): bool
    {
        return $this === self::TestStart || $this === self::TestStop || $this === self::Selector;
    }
}
