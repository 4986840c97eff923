<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** The demand by each way that was given, and the one to design for. Rule: docs/rules.md#demand. */
final readonly class DemandResult
{
    /**
     * @param 'calculated'|'measured'|'schedule' $designFrom
     * @param list<Finding>                      $findings   worst first
     * @param list<WorkingLine>                  $working
     */
    public function __construct(
        public ?CalculatedDemand $calculated,
        public ?MeasuredDemand $measured,
        public ?ScheduledDemand $schedule,
        public float $designKva,
        public float $designA,
        public string $designFrom,
        public array $findings,
        public array $working,
    ) {}
}
