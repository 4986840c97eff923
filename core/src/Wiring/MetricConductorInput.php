<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** One circuit in mm²: its load, its device, and how its cable lies. Rule: docs/rules.md#conductor. */
final readonly class MetricConductorInput
{
    public float $ambientC;

    /**
     * @param 'al'|'cu'                $material
     * @param 70|90                    $insulationC PVC or XLPE
     * @param ?float                   $ocpdA       null: the smallest standard rating that carries the load
     * @param bool                     $isFuse      a gG fuse in place of a breaker
     * @param ?float                   $ambientC    null: 30 in air, 20 in the ground
     * @param int                      $circuits    that lie together
     * @param 'bunched'|'single_layer' $grouping    of circuits in air
     * @param float                    $soilKmW     of cables in the ground
     * @param ?string                  $size        null: choose one
     */
    public function __construct(
        public string $material,
        public int $insulationC = 70,
        public InstallMethod $method = InstallMethod::Clipped,
        public float $continuousA = 0.0,
        public float $noncontinuousA = 0.0,
        public ?float $ocpdA = null,
        public bool $isFuse = false,
        ?float $ambientC = null,
        public int $circuits = 1,
        public string $grouping = 'bunched',
        public float $soilKmW = 2.5,
        public int $sets = 1,
        public ?string $size = null,
    ) {
        $this->ambientC = $ambientC ?? $method->referenceC();
    }
}
