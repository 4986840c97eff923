<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/** Somebody who drives out. Rule: docs/rules.md#visit-plan. */
final readonly class VisitTechnician
{
    /**
     * @param array<int, true>    $weekdays 0 for Monday
     * @param int                 $fromMin  leaves the base
     * @param int                 $toMin    back at the base
     * @param array<int, true>    $absences days
     * @param array<string, true> $skills
     */
    public function __construct(
        public string $id,
        public float $lat,
        public float $lon,
        public array $weekdays,
        public int $fromMin,
        public int $toMin,
        public array $absences,
        public array $skills,
    ) {}
}
