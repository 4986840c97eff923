<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Rating;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Wiring\StandardSizes;

/** What a generator set gives at this site on this fuel: engine, alternator or breaker. Rule: docs/rules.md#source-rating. */
final readonly class GeneratorRating
{
    private const HEAVY = 0.8;
    private const AVERAGE_LIMIT = 0.7;

    public function answer(GeneratorRatingInput $in): CalculationResult
    {
        $working = new Working();
        if ($in->rated->from !== null) {
            $working->add('Rated on this fuel', $in->rated->working(), $in->rated->kw, 'kW');
        }
        $factor = $this->factor($in);
        $engineKw = $in->rated->kw * $factor;
        $working->add('Engine at this site', $this->derated($in), $engineKw, 'kW');
        $vAllLegs = $in->system->vAllLegs();
        $altKva = $in->alternatorKva * $in->alternatorFactor;
        $breakerKva = $in->breakerA === null ? null : $in->breakerA * $in->breakerPct / 100 * $vAllLegs / 1000;
        $usableKva = min($altKva, $breakerKva ?? INF);
        $usableKw = min($engineKw, $usableKva * $in->loadPf);
        $limitedBy = match (true) {
            ! Tolerance::exceeds($engineKw, $usableKva * $in->loadPf) => 'engine',
            $breakerKva === null || ! Tolerance::exceeds($altKva, $breakerKva) => 'alternator',
            default => 'breaker',
        };
        $least = sprintf('least of engine %.4g kW, alternator %.4g kVA', $engineKw, $altKva)
            . ($breakerKva === null ? '' : sprintf(', breaker %.4g kVA', $breakerKva));
        $working->add('Usable', sprintf('%s, at a power factor of %g', $least, $in->loadPf), $usableKw, 'kW');
        $ratedA = $in->alternatorKva * 1000 / $vAllLegs;
        $findings = new Findings();
        $this->judgeEngine($findings, $in, $factor, $engineKw);
        $this->judgeBreaker($findings, $in, $limitedBy === 'breaker' ? $breakerKva : null, $ratedA);
        if (! Tolerance::exceeds($usableKw, 0)) {
            $findings->raise('no-rating-left');
        }

        return new CalculationResult([
            'rated_kw' => $in->rated->kw,
            'factor' => $factor,
            'engine_kw' => $engineKw,
            'alternator_kva' => $altKva,
            'breaker_kva' => $breakerKva,
            'usable_kva' => $usableKva,
            'usable_kw' => $usableKw,
            'plan_kw' => $usableKw * $in->planPct / 100,
            'limited_by' => $limitedBy,
            'leg_a' => $usableKva * 1000 / $vAllLegs,
            'rated_a' => $ratedA,
            'breaker_next_a' => StandardSizes::next($ratedA),
        ], $findings->all(), $working->lines);
    }

    /** Share of the rating that height and heat leave, 0 to 1. */
    private function factor(GeneratorRatingInput $in): float
    {
        $byAltitude = $in->slopes->byAltitude($in->altitudeFt);
        $byHeat = $in->slopes->byHeat($in->tempC);

        return $in->isAdded ? max(0.0, 1 - $byAltitude - $byHeat) : max(0.0, 1 - $byAltitude) * max(0.0, 1 - $byHeat);
    }

    private function derated(GeneratorRatingInput $in): string
    {
        return sprintf(
            '%g kW × (1 − %.4g) %s (1 − %.4g): %g ft, %g °C',
            $in->rated->kw,
            $in->slopes->byAltitude($in->altitudeFt),
            $in->isAdded ? 'less' : '×',
            $in->slopes->byHeat($in->tempC),
            $in->altitudeFt,
            $in->tempC,
        );
    }

    private function judgeEngine(Findings $findings, GeneratorRatingInput $in, float $factor, float $engineKw): void
    {
        if ($in->rated->from !== null) {
            $findings->raise('fuel-factor-assumed', $in->rated->told());
        }
        $isGeneric = $in->slopes->byAltitude($in->altitudeFt) > 0 && ! $in->slopes->hasMakersAltitude
            || $in->slopes->byHeat($in->tempC) > 0 && ! $in->slopes->hasMakersTemp;
        if (Tolerance::isBelow($factor, 1) && $isGeneric) {
            $findings->raise('derate-generic', ['left_pct' => 100 * $factor]);
        }
        if (Tolerance::isBelow($factor, self::HEAVY)) {
            $findings->raise('derate-heavy', ['left_pct' => 100 * $factor]);
        }
        $averageKw = $in->duty === 'continuous' ? null : $in->averageKw;
        if ($averageKw !== null && Tolerance::exceeds($averageKw, self::AVERAGE_LIMIT * $engineKw)) {
            $findings->raise('average-over-70', ['average_kw' => $averageKw, 'engine_kw' => $engineKw]);
        }
    }

    /** @param ?float $limitKva of the breaker, where it is what limits */
    private function judgeBreaker(Findings $findings, GeneratorRatingInput $in, ?float $limitKva, float $ratedA): void
    {
        if ($limitKva !== null) {
            $findings->raise('breaker-limits', ['breaker_kva' => $limitKva]);
        }
        $largest = StandardSizes::next(1.25 * $ratedA);
        if ($in->breakerA !== null && $largest !== null && Tolerance::exceeds($in->breakerA, $largest)) {
            $findings->raise('breaker-large', ['breaker_a' => $in->breakerA, 'largest' => $largest]);
        }
    }
}
