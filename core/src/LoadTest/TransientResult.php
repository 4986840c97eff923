<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** The load steps of a recording. Rule: docs/rules.md#step-transients. */
final readonly class TransientResult
{
    /**
     * @param list<MeasuredStep>          $steps
     * @param list<array<string, mixed>>  $stepsSeen ready for the evaluation of a load test
     * @param list<Finding>               $findings
     * @param list<WorkingLine>           $working
     */
    public function __construct(
        public array $steps,
        public array $stepsSeen,
        public float $medianMs,
        public array $findings,
        public array $working,
    ) {}
}
