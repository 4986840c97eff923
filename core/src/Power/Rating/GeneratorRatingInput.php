<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Rating;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Plant\LegSystem;

/** A generator set at its site. Rule: docs/rules.md#source-rating. */
final readonly class GeneratorRatingInput
{
    public FuelRating $rated;
    public DeratingSlopes $slopes;
    public float $alternatorKva;

    /**
     * @param string                               $fuel           it runs on: diesel, lp, natural_gas or petrol
     * @param non-empty-array<string, float>       $ratingsKw      of the plate, by fuel
     * @param ?DeratingSlopes                      $slopes         null: generic for the fuel
     * @param ?float                               $ratedPf        null: 0.8 with three phases, else 1
     * @param ?float                               $alternatorKva  null: the largest rating by the rated power factor
     * @param bool                                 $isAdded        losses by height and heat are added, not multiplied
     * @param float                                $breakerPct     of the breaker that may be carried for hours
     * @param float                                $planPct        of what is usable that is planned with
     * @param ?float                               $averageKw      of the load over a day
     * @param 'continuous'|'prime'|'standby'       $duty
     *
     * @throws BadInput where no rating leads to this fuel
     */
    public function __construct(
        public LegSystem $system,
        string $fuel,
        array $ratingsKw,
        ?DeratingSlopes $slopes = null,
        ?float $ratedPf = null,
        ?float $alternatorKva = null,
        public float $altitudeFt = 0.0,
        public float $tempC = 25.0,
        public bool $isAdded = false,
        public float $alternatorFactor = 1.0,
        public float $loadPf = 1.0,
        public ?float $breakerA = null,
        public float $breakerPct = 100.0,
        public float $planPct = 100.0,
        public ?float $averageKw = null,
        public string $duty = 'standby',
    ) {
        $this->rated = FuelRating::on($fuel, $ratingsKw)
            ?? throw new BadInput('/generator/ratings_kw', "There is no rating for $fuel, and none that it could be derived from.");
        $this->slopes = $slopes ?? DeratingSlopes::generic($fuel);
        $this->alternatorKva = $alternatorKva ?? max($ratingsKw) / ($ratedPf ?? self::usualPf($system));
    }

    public static function usualPf(LegSystem $system): float
    {
        return $system->name === 'three' ? 0.8 : 1.0;
    }
}
