<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** What was asked for, sized; the rest null. Rule: docs/rules.md#grounding. */
final readonly class GroundingResult
{
    /**
     * @param list<Finding>     $findings worst first
     * @param list<WorkingLine> $working
     */
    public function __construct(
        public ?EgcResult $egc,
        public ?GecResult $gec,
        public ?FaultPathResult $bondingJumper,
        public ?FaultPathResult $groundedConductor,
        public bool $passes,
        public array $findings,
        public array $working,
    ) {}
}
