<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What is asked about the runs of a set. Rule: docs/rules.md#exercise-value. */
final readonly class ExerciseInput
{
    public const SOON_DAYS = 30;
    public const CRITICAL = 'critical';

    /**
     * @param array<string, int>    $intervals months by run type
     * @param array<string, string> $lastDone  dates of passed runs by run type
     * @param list<ExerciseRun>     $runs
     */
    public function __construct(
        public string $today,
        public bool $isCritical,
        public array $intervals,
        public array $lastDone = [],
        public array $runs = [],
        public int $soonDays = self::SOON_DAYS,
    ) {}

    /**
     * By one of the schools with intervals of their own.
     *
     * @param string            $school critical, quarterly, semi_annual or annual
     * @param list<ExerciseRun> $runs
     */
    public static function bySchool(string $school, string $today, array $runs): self
    {
        return new self($today, $school === self::CRITICAL, RunType::intervals($school), runs: $runs);
    }
}
