<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** A load test, judged. Rule: docs/rules.md#load-test-evaluate. */
final readonly class LoadTestResult
{
    /**
     * @param 'fail'|'not_proven'|'pass'                                          $verdict
     * @param list<Requirement>                                                   $requirements
     * @param list<ProvedLevel>                                                   $levels
     * @param array<string, ?float>                                               $drift
     * @param array<string, ?float>                                               $atTop        of the reading with most power
     * @param list<array<string, mixed>>                                          $transients
     * @param null|array<string, ?float>                                          $comparison   this test's figure minus the last one's
     * @param list<Finding>                                                       $findings
     * @param list<WorkingLine>                                                   $working
     */
    public function __construct(
        public string $verdict,
        public array $requirements,
        public array $levels,
        public float $provedMin,
        public float $maxLoadPct,
        public ?float $meanLoadPct,
        public ?float $regulationPct,
        public ?float $droopPct,
        public float $worstVDevPct,
        public float $worstHzDevPct,
        public float $worstVUnbalancePct,
        public float $worstIUnbalancePct,
        public array $drift,
        public float $lowLoadMin,
        public array $atTop,
        public array $transients,
        public ?array $comparison,
        public array $findings,
        public array $working,
    ) {}
}
