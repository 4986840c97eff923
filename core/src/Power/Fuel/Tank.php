<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** A tank, and how long it lasts. Rule: docs/rules.md#fuel. */
final readonly class Tank
{
    /** Percent of a gas tank that the runtime leaves unused: the set must still be fed there. */
    public const GAS_RESERVE_PCT = 20.0;
    private const LIQUID_RESERVE_PCT = 10.0;
    /** A gas tank is never filled further: the liquid has to expand. */
    private const GAS_FULL_PCT = 80.0;
    private const LIQUID_FULL_PCT = 95.0;

    public float $levelPct;
    public float $reservePct;

    /**
     * @param ?float $levelPct   null: as full as it is filled
     * @param ?float $reservePct null: what is usual for the fuel
     */
    public function __construct(private string $fuel, public float $capacityGal, ?float $levelPct = null, ?float $reservePct = null)
    {
        $this->levelPct = $levelPct ?? self::usualFillPct($fuel);
        $this->reservePct = $reservePct ?? self::usualReservePct($fuel);
    }

    public static function usualFillPct(string $fuel): float
    {
        return $fuel === 'lp' ? self::GAS_FULL_PCT : self::LIQUID_FULL_PCT;
    }

    public static function usualReservePct(string $fuel): float
    {
        return $fuel === 'lp' ? self::GAS_RESERVE_PCT : self::LIQUID_RESERVE_PCT;
    }

    /** @return array{usable_gal: float, runtime_h: ?float} hours null while nothing is burnt */
    public function answer(float $galPerHour, Findings $findings, Working $working): array
    {
        $usableGal = $this->capacityGal * max(0.0, $this->levelPct - $this->reservePct) / 100;
        $runtimeH = Tolerance::exceeds($galPerHour, 0) ? $usableGal / $galPerHour : null;
        $working->add(
            'Runtime on the tank',
            sprintf('%g gal × (%g − %g) %% / %.4g gal/h', $this->capacityGal, $this->levelPct, $this->reservePct, $galPerHour),
            $runtimeH,
            'h',
        );
        if ($this->fuel === 'lp' && Tolerance::exceeds($this->levelPct, self::GAS_FULL_PCT)) {
            $findings->raise('lp-overfill', ['pct' => $this->levelPct]);
        }
        if (! Tolerance::exceeds($usableGal, 0)) {
            $findings->raise('tank-empty');
        }

        return ['usable_gal' => $usableGal, 'runtime_h' => $runtimeH];
    }
}
