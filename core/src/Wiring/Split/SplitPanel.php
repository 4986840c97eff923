<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Split;

/** A panel behind the switch, and its feeder. */
final readonly class SplitPanel
{
    /**
     * @param ?float $mainA   its main breaker; null: main lugs only
     * @param ?float $ocpdA   ahead of its feeder; null: a tap of the service
     * @param int    $feederA ampacity
     * @param string $legALug L1, L2: where its leg A is fed from
     */
    public function __construct(
        public string $id,
        public float $ratingA,
        public ?float $mainA,
        public ?float $ocpdA,
        public int $feederA,
        public float $lengthFt,
        public bool $isOutside,
        public string $legALug,
        public string $legBLug,
    ) {}
}
