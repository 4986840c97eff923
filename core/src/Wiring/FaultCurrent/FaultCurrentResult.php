<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** The bolted fault current at every point, in kA. Rule: docs/rules.md#fault-current. */
final readonly class FaultCurrentResult
{
    /**
     * @param list<FaultAtPoint> $points   as they were given
     * @param list<Finding>      $findings worst first
     * @param list<WorkingLine>  $working
     */
    public function __construct(
        public ?float $ratedA,
        public float $sourceKa,
        public array $points,
        public bool $passes,
        public array $findings,
        public array $working,
    ) {}
}
