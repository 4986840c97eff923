<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

/** What neutral and earth do in one position of the changeover; null where there is no path. */
final readonly class EarthPosition
{
    /**
     * @param 'I'|'II'|'overlap'        $position
     * @param 'none'|'ok'|'several'     $verdict
     * @param ?float                    $strayA   of the load's neutral current, beside the active neutral
     * @param ?float                    $sensedA  of an earth fault, what a residual device sees
     */
    public function __construct(
        public string $position,
        public string $active,
        public int $earthPoints,
        public string $verdict,
        public ?float $neutralA,
        public ?float $strayA,
        public ?float $otherNeutralA,
        public float $faultA,
        public ?float $returnOhm,
        public ?float $sensedA,
        public ?float $sensedFraction,
        public ?float $otherSensedA,
    ) {}
}
