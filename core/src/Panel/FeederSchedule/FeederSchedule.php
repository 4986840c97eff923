<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Topology\PlacedFindings;

/**
 * The outgoing ways of a board on the transformer and on the generator: what trips, what survives, and whether the changeover carries the
 * load and withstands the fault. Rule: docs/rules.md#feeder-schedule3.
 */
final readonly class FeederSchedule
{
    /** Peak over r.m.s. of a fault, by kA. */
    private const PEAK = [5 => 1.5, 10 => 1.7, 20 => 2.0, 50 => 2.1];
    private const PEAK_ABOVE = 2.2;

    public function judge(FeederInput $in): FeederResult
    {
        $findings = new PlacedFindings();
        $judge = new WayJudge($in, $findings);
        $ways = array_map($judge->judge(...), $in->ways);
        $supply = $in->supply;
        $factor = $in->factor();
        $sums = $this->sums($in, withShed: true);
        $onGenerator = $supply->generatorKva === null ? null : $this->sums($in, withShed: false);
        $demand = $factor * max($sums);
        $generatorDemand = $onGenerator === null ? null : $factor * max($onGenerator);
        $peakFactor = self::peakFactor($supply->maxKa());
        $peak = $peakFactor * $supply->maxKa();
        $this->board($in, $findings, $demand, $generatorDemand, $peak);
        $findings->raise('confirm-code');
        $working = new Working();
        $working->add('Fault current', 'the larger of both sources', $supply->maxKa(), 'kA');
        $working->add('Demand', sprintf('%g × the largest phase', $factor), $demand, 'A');

        return new FeederResult(
            [
                'utility_ka' => $supply->utilityKa(), 'generator_ka' => $supply->generatorKa(), 'max_ka' => $supply->maxKa(),
                'peak_factor' => $peakFactor, 'peak_ka' => $peak,
            ],
            $supply->generatorA(),
            $sums,
            $onGenerator,
            $factor,
            $demand,
            $generatorDemand,
            $ways,
            $findings->sorted(),
            $working->lines,
        );
    }

    private static function peakFactor(float $ka): float
    {
        foreach (self::PEAK as $most => $factor) {
            if (RelativeTolerance::isAtLeast($most, $ka)) {
                return $factor;
            }
        }

        return self::PEAK_ABOVE;
    }

    /** @return non-empty-list<float> by leg */
    private function sums(FeederInput $in, bool $withShed): array
    {
        $sums = ['L1' => 0.0, 'L2' => 0.0, 'L3' => 0.0];
        foreach ($in->ways as $way) {
            foreach ($withShed || ! $way->isShed ? $way->phases : [] as $phase) {
                $sums[$phase] += $way->loadA;
            }
        }

        return [$sums['L1'], $sums['L2'], $sums['L3']];
    }

    private function board(FeederInput $in, PlacedFindings $findings, float $demand, ?float $generatorDemand, float $peak): void
    {
        $over = RelativeTolerance::isOver(...);
        $board = $in->changeover;
        $supply = $in->supply;
        $sources = ['utility' => [$supply->utilityKa(), $board->utilityClearS, $board->utilityBreakerA, $demand]];
        if ($supply->generatorKva !== null) {
            $sources['generator'] = [
                (float) $supply->generatorKa(), $board->generatorClearS, (float) $board->generatorBreakerA, (float) $generatorDemand,
            ];
        }
        $busbarHolds = true;
        foreach ($sources as $name => [$ka, $clearS, $breaker, $load]) {
            $holds = $board->isCombination ? RelativeTolerance::isAtLeast($board->withstandKa, $ka)
                : self::withstands($ka, $clearS, $board->withstandKa, $board->withstandS);
            $is = [
                'changeover-under-breaker' => $over($breaker, $board->ratingA),
                'incomer-under-load' => $over($load, $breaker),
                'changeover-withstand' => ! $holds,
            ];
            foreach (array_keys(array_filter($is)) as $id) {
                $findings->raise("feeder-schedule3/$id", $name);
            }
            $busbarHolds = $busbarHolds && self::withstands($ka, $clearS, $board->icwKa, $board->icwS);
        }
        $is = [
            'busbar-under-load' => $over($demand, $board->busbarA),
            'busbar-under-breaker' => $over(max($board->utilityBreakerA, $board->generatorBreakerA ?? 0.0), $board->busbarA),
            'busbar-withstand' => ! $busbarHolds,
            'busbar-peak' => $board->busbarPeakKa !== null && $over($peak, $board->busbarPeakKa),
            'changeover-under-load' => $over(max($demand, $generatorDemand ?? 0.0), $board->ratingA),
            'changeover-closing' => $board->closingPeakKa !== null && $over($peak, $board->closingPeakKa),
            'closing-unknown' => $board->closingPeakKa === null,
            'generator-overload' => $generatorDemand !== null && $over($generatorDemand, (float) $supply->generatorA()),
            'generator-collapses' => $supply->generatorKva !== null && $supply->sustainedMultiple === null,
            'combination-rating' => $board->isCombination,
        ];
        foreach (array_keys(array_filter($is)) as $id) {
            $findings->raise("feeder-schedule3/$id");
        }
    }

    private static function withstands(float $ka, float $seconds, float $ratedKa, float $ratedS): bool
    {
        $isShort = RelativeTolerance::isAtLeast($ratedS, $seconds)
            || RelativeTolerance::isAtLeast($ratedKa ** 2 * $ratedS, $ka ** 2 * $seconds);

        return $isShort && RelativeTolerance::isAtLeast($ratedKa, $ka);
    }
}
