<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

/** Work that makes a site readier, in the order of its table. Minutes to be confirmed. Rule: docs/rules.md#storm-readiness. */
enum ReadinessAction: string
{
    case SetAuto = 'set_auto';
    case ClearStops = 'clear_stops';
    case OutageTest = 'outage_test';
    case LoadTest = 'load_test';
    case Refuel = 'refuel';
    case Battery = 'battery';
    case ProveSettings = 'prove_settings';
    case ExerciseRun = 'exercise_run';
    case ClearAlarms = 'clear_alarms';
    case Service = 'service';

    public function usualMinutes(): float
    {
        return match ($this) {
            self::SetAuto => 10.0,
            self::ClearStops, self::OutageTest => 60.0,
            self::LoadTest => 120.0,
            self::Service => 90.0,
            default => 30.0,
        };
    }

    /** @return non-empty-list<Criterion> that lose nothing any more; tests are taken to pass */
    public function settles(): array
    {
        return match ($this) {
            self::SetAuto => [Criterion::Selector],
            self::ClearStops => [Criterion::OpenStops],
            self::OutageTest => [Criterion::OutageTest, Criterion::Settings, Criterion::Exercise],
            self::LoadTest => [Criterion::LoadTest, Criterion::Exercise],
            self::Refuel => [Criterion::Fuel],
            self::Battery => [Criterion::Battery],
            self::ProveSettings => [Criterion::Settings],
            self::ExerciseRun => [Criterion::Exercise],
            self::ClearAlarms => [Criterion::Alarms],
            self::Service => [Criterion::Service],
        };
    }
}
