<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Rating;

/** How much of an engine is lost by height and heat. Rule: docs/rules.md#source-rating. */
final readonly class DeratingSlopes
{
    /** % per 1000 ft above free ft, % per 10 °C above free °C. To be confirmed with the maker. */
    private const GENERIC = [
        'spark natural' => [3.5, 0.0, 1.8, 16.0],
        'spark turbo' => [2.0, 3000.0, 1.8, 25.0],
        'diesel natural' => [3.5, 500.0, 1.8, 25.0],
        'diesel turbo' => [3.0, 3000.0, 1.8, 40.0],
    ];

    /**
     * @param bool $hasMakersAltitude the slope by height is the maker's own
     * @param bool $hasMakersTemp     the slope by heat is
     */
    public function __construct(
        public float $altitudePctPer1000Ft,
        public float $altitudeFreeFt,
        public float $tempPctPer10C,
        public float $tempFreeC,
        public bool $hasMakersAltitude = false,
        public bool $hasMakersTemp = false,
    ) {}

    /** @param null|'natural'|'turbo' $aspiration null: what is usual for the fuel */
    public static function generic(string $fuel, ?string $aspiration = null): self
    {
        $aspiration ??= self::usualAspiration($fuel);

        return new self(...self::GENERIC[($fuel === 'diesel' ? 'diesel' : 'spark') . " $aspiration"]);
    }

    /** @return 'natural'|'turbo' */
    public static function usualAspiration(string $fuel): string
    {
        return $fuel === 'diesel' ? 'turbo' : 'natural';
    }

    /** Share lost by height, 0 and up. */
    public function byAltitude(float $altitudeFt): float
    {
        return $this->altitudePctPer1000Ft * max(0.0, $altitudeFt - $this->altitudeFreeFt) / 1000 / 100;
    }

    /** Share lost by heat, 0 and up. */
    public function byHeat(float $tempC): float
    {
        return $this->tempPctPer10C * max(0.0, $tempC - $this->tempFreeC) / 10 / 100;
    }
}
