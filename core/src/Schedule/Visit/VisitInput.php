<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/** Visits, the people who make them, and what a plan costs. Rule: docs/rules.md#visit-plan. */
final readonly class VisitInput
{
    /**
     * @param int                   $start       first day
     * @param array<int, true>      $holidays    days
     * @param list<VisitTechnician> $technicians
     * @param list<Visit>           $visits
     * @param list<list<int>>       $minutes     of travel, from row to column: bases in order, then visits
     * @param bool                  $isEstimated from straight lines
     * @param array{unplaced: int, late: int, wait: int, travel: int, technician_day: int} $weights
     */
    public function __construct(
        public int $start,
        public int $days,
        public array $holidays,
        public array $technicians,
        public array $visits,
        public array $minutes,
        public bool $isEstimated,
        public array $weights,
    ) {}
}
