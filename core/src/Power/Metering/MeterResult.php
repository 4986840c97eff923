<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** What a panel meter really says. Rule: docs/rules.md#three-phase-meter. */
final readonly class MeterResult
{
    /**
     * @param list<float>                                       $iCorrectedA
     * @param list<array{kva: float, kw: float, kvar: float}>   $phases
     * @param array<string, ?float>                             $total
     * @param list<float>                                       $vLlV
     * @param 'angles'|'assumed'|'measured'                     $vLlFrom
     * @param null|'abc'|'acb'|'undetermined'                   $rotation
     * @param list<Finding>                                     $findings
     * @param list<WorkingLine>                                 $working
     */
    public function __construct(
        public array $iCorrectedA,
        public array $phases,
        public array $total,
        public array $vLlV,
        public string $vLlFrom,
        public float $vUnbalancePct,
        public float $iUnbalancePct,
        public ?float $ctLoadPct,
        public float $ctFactor,
        public ?string $rotation,
        public ?float $neutralCalcA,
        public ?CtDiagnosisResult $ctDiagnosis,
        public array $findings,
        public array $working,
    ) {}
}
