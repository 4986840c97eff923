<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

/** The made-up set of a bench: generic figures where nothing else is said. Rule: docs/rules.md#bench-play. */
final readonly class BenchGenerator
{
    /**
     * @param float  $xPu         subtransient reactance of the alternator, per unit
     * @param float  $vTauMs      ms; of the voltage regulator
     * @param float  $hzTauMs     ms; of the governor
     * @param float  $hzDipPct    % of nominal at the deepest, for a step of the rating
     * @param ?float $tankGal     null without a tank
     * @param int    $starveMs    from fuel that is blocked to an engine that stands
     * @param int    $nominalV    12 or 24 V of the start battery
     * @param float  $soc         of the battery, 0 to 1
     */
    public function __construct(
        public float $ratedKw,
        public float $xPu,
        public float $vTauMs,
        public float $hzTauMs,
        public float $regulationPct,
        public float $droopPct,
        public float $hzDipPct,
        public float $ratedKva,
        public string $fuel,
        public ?float $tankGal,
        public float $fuelPct,
        public int $starveMs,
        public int $nominalV,
        public float $soc,
        public float $ambientC,
        public float $runH,
        public int $starts,
    ) {}
}
