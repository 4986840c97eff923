<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What a run was: from an exercise at low speed to a simulated outage. Rule: docs/rules.md#exercise-value. */
enum RunType: string
{
    case NoLoadLowSpeed = 'no_load_low_speed';
    case NoLoadRated = 'no_load_rated';
    case WithLoad = 'with_load';
    case BuildingLoad = 'building_load';
    case LoadBank = 'load_bank';
    case FourHour = 'four_hour';
    case Outage = 'outage';

    /** Runs whose load was measured. */
    public const MEASURED = [self::BuildingLoad, self::LoadBank, self::FourHour];
    /** Runs without load. */
    public const IDLE = [self::NoLoadLowSpeed, self::NoLoadRated];

    public function label(): string
    {
        return match ($this) {
            self::NoLoadLowSpeed => 'Exercise at low speed',
            self::NoLoadRated => 'Exercise without load',
            self::WithLoad => 'Exercise with load',
            self::BuildingLoad => 'Measured run on building load',
            self::LoadBank => 'Load bank',
            self::FourHour => 'Four hours',
            self::Outage => 'Outage made upstream',
        };
    }

    /** @return array<string, list<string>> run types by what they prove, in the order of the table */
    public static function proofs(): array
    {
        /** @var array{proofs: array<string, list<string>>, intervals: array<string, array<string, int>>} $data */
        $data = require __DIR__ . '/../../data/exercise_proofs.php';

        return $data['proofs'];
    }

    /** @return array<string, int> months by run type */
    public static function intervals(string $school): array
    {
        /** @var array{proofs: array<string, list<string>>, intervals: array<string, array<string, int>>} $data */
        $data = require __DIR__ . '/../../data/exercise_proofs.php';

        return $data['intervals'][$school] ?? [];
    }
}
