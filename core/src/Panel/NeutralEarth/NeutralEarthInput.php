<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

/** Two sources on one changeover. Rule: docs/rules.md#neutral-earth. */
final readonly class NeutralEarthInput
{
    /**
     * @param array{EarthedSource, EarthedSource}                $sources
     * @param 'iec_tn_c_s'|'iec_tn_s'|'iec_tt'|'nec'             $wording
     * @param null|array{float, float, float}                    $loadsW     per phase
     * @param 'late'|'overlapping'|'simultaneous'                $sequence   of the neutral pole, four-pole only
     */
    public function __construct(
        public bool $isFourPole,
        public string $wording,
        public array $sources,
        public bool $hasPanelBond,
        public float $panelBondOhm,
        public float $loadNeutralA,
        public float $phaseOhm,
        public float $faultOhm,
        public ?array $loadsW,
        public bool $isSwapped,
        public string $sequence,
        public int $overlapMs,
    ) {}

    public function overlaps(): bool
    {
        return $this->isFourPole && $this->sequence === 'overlapping';
    }
}
