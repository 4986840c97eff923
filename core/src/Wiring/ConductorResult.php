<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** The size for a circuit, or a size judged, with its figures in amperes; null where no size fits. Rule: docs/rules.md#conductor. */
final readonly class ConductorResult
{
    /**
     * @param 'check'|'choose'  $mode
     * @param int               $terminalC the terminals' temperature, before insulation and cable limit it
     * @param list<Finding>     $findings  worst first
     * @param list<WorkingLine> $working
     */
    public function __construct(
        public string $mode,
        public ?string $size,
        public int $sets,
        public int $terminalC,
        public ?int $tableInsulationA,
        public ?int $tableTerminalA,
        public float $ambientFactor,
        public float $adjustmentFactor,
        public ?float $correctedA,
        public ?float $terminalA,
        public ?float $ampacityA,
        public float $loadA,
        public float $requiredA,
        public float $requiredTerminalA,
        public float $requiredCorrectedA,
        public float $ocpdA,
        public ?float $ocpdMaxA,
        public bool $passes,
        public array $findings,
        public array $working,
    ) {}
}
