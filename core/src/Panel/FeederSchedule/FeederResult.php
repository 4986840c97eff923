<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** The outgoing ways of a board on two sources. Rule: docs/rules.md#feeder-schedule3. */
final readonly class FeederResult
{
    /**
     * @param array<string, ?float> $fault
     * @param list<float>           $phaseSumA
     * @param null|list<float>      $generatorPhaseSumA
     * @param list<JudgedWay>       $ways
     * @param list<Finding>         $findings
     * @param list<WorkingLine>     $working
     */
    public function __construct(
        public array $fault,
        public ?float $generatorRatedA,
        public array $phaseSumA,
        public ?array $generatorPhaseSumA,
        public float $factor,
        public float $demandA,
        public ?float $generatorDemandA,
        public array $ways,
        public array $findings,
        public array $working,
    ) {}
}
