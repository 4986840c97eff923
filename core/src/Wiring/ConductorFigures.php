<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** What one size carries under the conditions of its circuit, in amperes. Rule: docs/rules.md#conductor. */
final readonly class ConductorFigures
{
    /**
     * @param int    $tableInsulationA one conductor, by its insulation
     * @param int    $tableTerminalA   one conductor, by the coolest of terminal, insulation and cable
     * @param int    $atC              that temperature
     * @param ?int   $columnC          what the cable is held to
     * @param float  $correctedA       all sets, after heat and bundling
     * @param float  $terminalA        all sets, at the terminals
     * @param float  $ampacityA        the smaller of the two
     * @param float  $baseA            the largest device before the limit of small conductors
     * @param ?int   $smallCapA        that limit, where it holds
     */
    public function __construct(
        public string $size,
        public int $tableInsulationA,
        public int $tableTerminalA,
        public int $atC,
        public ?int $columnC,
        public float $correctedA,
        public float $terminalA,
        public float $ampacityA,
        public float $baseA,
        public ?int $smallCapA,
    ) {}

    public function ocpdMaxA(): float
    {
        return min($this->baseA, $this->smallCapA ?? INF);
    }
}
