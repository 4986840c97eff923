<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** A planned load test. Rule: docs/rules.md#load-test-plan. */
final readonly class LoadTestPlanResult
{
    /**
     * @param list<PlannedStep> $steps
     * @param list<float>       $readings seconds from the start of the warm-up
     * @param list<ProofRow>    $proof
     * @param list<Finding>     $findings
     * @param list<WorkingLine> $working
     */
    public function __construct(
        public string $basis,
        public array $steps,
        public float $totalMin,
        public float $readingIntervalMin,
        public ?float $earlyIntervalMin,
        public array $readings,
        public float $fuelNeeded,
        public string $fuelUnit,
        public array $proof,
        public array $findings,
        public array $working,
    ) {}
}
