<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** What the far end lacks, how long the run may be, and the size that keeps the limit. Rule: docs/rules.md#voltage-drop. */
final readonly class VoltageDropResult
{
    /**
     * @param float             $rOhmPerKft      of one conductor of the size
     * @param float             $dropPct         the largest of all
     * @param float             $totalDropPct    with what is lost ahead of this run
     * @param ?string           $minSizeForLimit null: no size keeps the limit
     * @param list<Finding>     $findings        worst first
     * @param list<WorkingLine> $working
     */
    public function __construct(
        public float $rOhmPerKft,
        public float $rOhmPerKm,
        public float $xOhmPerKft,
        public float $xOhmPerKm,
        public float $lengthFt,
        public float $lengthM,
        public float $dropPct,
        public float $totalDropPct,
        public float $maxLengthFt,
        public float $maxLengthM,
        public ?string $minSizeForLimit,
        public bool $passes,
        public LegDrop|LineDrop $drop,
        public array $findings,
        public array $working,
    ) {}
}
