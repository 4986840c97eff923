<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

/** What a site is asked when a storm comes, in the order of its table. Rule: docs/rules.md#storm-readiness. */
enum Criterion: string
{
    case Selector = 'selector';
    case OpenStops = 'open_stops';
    case OutageTest = 'outage_test';
    case LoadTest = 'load_test';
    case Fuel = 'fuel';
    case Battery = 'battery';
    case Settings = 'settings';
    case Exercise = 'exercise';
    case Alarms = 'alarms';
    case Service = 'service';

    /** What keeps it from starting tonight weighs most, then what was never proved, then what wears. */
    public function usualWeight(): float
    {
        return match ($this) {
            self::Selector => 20.0,
            self::OpenStops, self::OutageTest => 15.0,
            self::LoadTest, self::Fuel => 12.0,
            self::Battery => 8.0,
            self::Settings => 6.0,
            self::Exercise => 5.0,
            self::Alarms => 4.0,
            self::Service => 3.0,
        };
    }

    /** The fraction lost where nobody knows: nearly as much as bad. */
    public function unknown(): float
    {
        return match ($this) {
            self::Selector, self::OpenStops, self::Alarms => 0.5,
            self::OutageTest, self::LoadTest => 0.9,
            self::Fuel, self::Battery, self::Exercise => 0.7,
            self::Settings, self::Service => 0.6,
        };
    }

    /** Without knowing these a site is not ready. */
    public function decides(): bool
    {
        return ! in_array($this, [self::Settings, self::Exercise, self::Alarms, self::Service], true);
    }
}
