<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

/** The changeover of a board, its incoming breakers and the busbar behind it. */
final readonly class FeederChangeover
{
    /**
     * @param ?float $generatorBreakerA null without a generator
     * @param bool   $isCombination     the withstand figure holds for the named device ahead
     */
    public function __construct(
        public float $ratingA,
        public float $utilityBreakerA,
        public ?float $generatorBreakerA,
        public float $withstandKa,
        public float $withstandS,
        public bool $isCombination,
        public ?float $closingPeakKa,
        public float $utilityClearS,
        public float $generatorClearS,
        public float $busbarA,
        public float $icwKa,
        public float $icwS,
        public ?float $busbarPeakKa,
    ) {}
}
