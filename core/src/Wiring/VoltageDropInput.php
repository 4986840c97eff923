<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** One run, its load, and how its resistance is calculated. Rule: docs/rules.md#voltage-drop. */
final readonly class VoltageDropInput
{
    /**
     * @param 'nec'|'iec'                              $system
     * @param 'single_phase'|'split_phase'|'three_phase' $circuit
     * @param 'al'|'cu'                                $material
     * @param float                                    $v           line to line for split and three-phase
     * @param list<float>                              $amps        one current; of a split phase that of each leg
     * @param float                                    $lengthFt    one way
     * @param 'dc'|'impedance'|'k_factor'              $method
     * @param ?string                                  $neutralSize of a split phase; null: like the size
     * @param float                                    $pf          lagging, for impedance
     * @param 'aluminum'|'pvc'|'steel'                 $conduit     for impedance
     */
    public function __construct(
        public string $system,
        public string $circuit,
        public string $material,
        public string $size,
        public float $v,
        public array $amps,
        public float $lengthFt,
        public int $sets = 1,
        public string $method = 'dc',
        public ?string $neutralSize = null,
        public float $pf = 1.0,
        public string $conduit = 'pvc',
        public float $conductorTempC = 75.0,
        public float $limitPct = 3.0,
        public float $upstreamDropPct = 0.0,
        public float $totalLimitPct = 5.0,
    ) {}
}
