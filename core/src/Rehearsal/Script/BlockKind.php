<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Script;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Simulation\Verb;

/** What one can lay on a timing strip: something that goes wrong, for how long. */
enum BlockKind: string
{
    /** The voltage of a source leaves its nominal value: outage, sag, lost phase, over-voltage. */
    case Volts = 'volts';
    /** Its frequency does. */
    case Hertz = 'hertz';
    /** Its phases are the other way round. */
    case Reversed = 'reversed';
    case CrankFailures = 'crank_failures';
    case EngineTrip = 'engine_trip';
    case EngineReset = 'engine_reset';
    /** The generator is started by hand and stopped again. */
    case ByHand = 'by_hand';
    case Test = 'test';
    case SelectorOff = 'selector_off';
    case Load = 'load';
    /** An event that is none of these, kept as it came. */
    case Other = 'other';

    public function label(): string
    {
        return match ($this) {
            self::Volts => 'Voltage',
            self::Hertz => 'Frequency',
            self::Reversed => 'Phases reversed',
            self::CrankFailures => 'Cranks fail',
            self::EngineTrip => 'Engine trips',
            self::EngineReset => 'Engine reset',
            self::ByHand => 'Started by hand',
            self::Test => 'Test',
            self::SelectorOff => 'Selector off',
            self::Load => 'Load changes',
            self::Other => 'Event',
        };
    }

    /** Whether it has a length that one can stretch. */
    public function lasts(): bool
    {
        return match ($this) {
            self::Volts, self::Hertz, self::Reversed, self::ByHand, self::Test, self::SelectorOff => true,
            self::CrankFailures, self::EngineTrip, self::EngineReset, self::Load, self::Other => false,
        };
    }

    public function isOfEngine(): bool
    {
        return match ($this) {
            self::CrankFailures, self::EngineTrip, self::EngineReset, self::ByHand => true,
            default => false,
        };
    }

    public function fits(Plant $plant, bool $hasLoads): bool
    {
        return match ($this) {
            self::Volts, self::Hertz => true,
            self::Reversed => $plant->normal->isThreePhase(),
            self::CrankFailures, self::EngineTrip, self::EngineReset, self::ByHand => $plant->engine !== null,
            self::Test, self::SelectorOff => $plant->kind !== PlantKind::Mobile,
            self::Load => $hasLoads,
            self::Other => false,
        };
    }

    /** The event that begins it, where it is a single event. */
    public static function ofPoint(Verb $verb): self
    {
        return match ($verb) {
            Verb::CrankFailures => self::CrankFailures,
            Verb::EngineTrip => self::EngineTrip,
            Verb::EngineReset => self::EngineReset,
            Verb::SetLoad => self::Load,
            Verb::TestStart => self::Test,
            default => self::Other,
        };
    }
}
