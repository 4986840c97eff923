<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What is asked about the runs of a set. Rule: docs/rules.md#exercise-value. */
final readonly class ExerciseInput
{
    /**
     * @param array<string, int>    $intervals months by run type
     * @param array<string, string> $lastDone  dates of passed runs by run type
     * @param list<ExerciseRun>     $runs
     */
    public function __construct(
        public string $today,
        public bool $isCritical,
        public array $intervals,
        public array $lastDone,
        public array $runs,
        public int $soonDays,
    ) {}
}
