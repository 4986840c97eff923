<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** The size for a circuit in mm², or a size judged, with its figures in amperes; null where none fits. Rule: docs/rules.md#conductor. */
final readonly class MetricConductorResult
{
    /**
     * @param 'check'|'choose'  $mode
     * @param list<Finding>     $findings worst first
     * @param list<WorkingLine> $working
     */
    public function __construct(
        public string $mode,
        public ?string $size,
        public int $sets,
        public ?float $tableA,
        public float $ambientFactor,
        public float $groupingFactor,
        public float $soilFactor,
        public ?float $ampacityA,
        public float $loadA,
        public float $ocpdA,
        public ?float $ocpdMaxA,
        public bool $passes,
        public array $findings,
        public array $working,
    ) {}
}
