<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** A source and the points behind it, in order from it. Rule: docs/rules.md#fault-current. */
final readonly class FaultCurrentInput
{
    /**
     * @param bool                       $isNec       sizes in AWG; else in mm²
     * @param list<FaultPoint> $points
     * @param float                      $conductorC  cold conductors give the largest current
     * @param float                      $motorFlaA   rated amperes of the motors that run, in sum
     */
    public function __construct(
        public bool $isNec,
        public FaultCircuit $circuit,
        public FaultSource $source,
        public array $points,
        public float $conductorC = 25.0,
        public float $motorFlaA = 0.0,
    ) {}
}
