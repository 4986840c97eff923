<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

/** What is known of a site before a storm; null: nobody knows. Rule: docs/rules.md#storm-readiness. */
final readonly class ReadinessSite
{
    /**
     * @param ?string             $selector      auto, off, manual or test
     * @param ?array{int, bool}   $outageTest    day, and whether it passed
     * @param ?array{int, bool}   $loadTest
     * @param int                 $loadTestMonths that the school of the site asks for
     * @param ?float              $fuelDays      at storm load
     * @param ?int                $batteryInstalled day
     * @param ?float              $batteryRestV  rested, charger off
     * @param ?string             $settingsProven hash at the last proving run
     * @param ?int                $lastExercise  day
     */
    public function __construct(
        public string $id,
        public int $priority,
        public int $loadTestMonths,
        public ?string $selector,
        public ?int $openStops,
        public ?array $outageTest,
        public ?array $loadTest,
        public bool $isPiped,
        public ?float $fuelDays,
        public ?int $batteryInstalled,
        public ?float $batteryRestV,
        public int $batteryNominalV,
        public ?string $settingsProven,
        public ?string $settingsNow,
        public ?int $lastExercise,
        public int $exerciseEveryDays,
        public ?int $alarmsActive,
        public ?int $serviceOverdue,
    ) {}
}
