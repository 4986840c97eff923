<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** A panel of two legs that is to be fed from one. Rule: docs/rules.md#single-leg-jumper. */
final readonly class SingleLegJumperInput
{
    /**
     * @param 'no'|'unknown'|'yes'  $makerAllows
     * @param bool                  $isAlternateEver240 another source ever feeds both legs at 240 V
     * @param list<JumperLoad>      $loads
     * @param float                 $mainA              of the panel
     * @param bool                  $isWorst            by what the breakers let through, not by what flows
     * @param list<MultiwireBranch> $multiwire
     */
    public function __construct(
        public string $makerAllows,
        public bool $isAlternateEver240,
        public float $inverterKw,
        public float $inverterA,
        public float $feederNeutralA,
        public array $loads,
        public float $voltsToNeutral = 120.0,
        public float $mainA = 50.0,
        public bool $isWorst = true,
        public array $multiwire = [],
    ) {}
}
