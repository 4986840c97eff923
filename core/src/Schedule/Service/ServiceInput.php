<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

/** One set and its switch, what was read and what was done. Rule: docs/rules.md#service-due. */
final readonly class ServiceInput
{
    /**
     * @param int                        $today     day
     * @param int                        $installed day
     * @param array<string, ServiceItem> $items     in force, by id
     * @param list<HourReading>          $readings
     * @param list<ServiceEntry>         $history
     */
    public function __construct(
        public int $today,
        public int $installed,
        public array $items,
        public array $readings,
        public array $history,
        public float $exerciseHPerYear,
        public float $outageHPerYear,
        public int $averageDays,
        public int $soonDays,
        public float $soonH,
        public int $combineDays,
        public int $horizonDays,
        public int $gapDays,
    ) {}
}
