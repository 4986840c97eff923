<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Split;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\Ampacity;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/**
 * Two sets from the meter, one service-rated switch, two panels. The two conductors on a line lug must be the same leg:
 * crossed, they bolt the legs together. Rule: docs/rules.md#service-split.
 */
final readonly class ServiceSplit
{
    public function answer(ServiceSplitInput $in): CalculationResult
    {
        $findings = new Findings();
        $working = new Working();
        $is83 = $in->is83 && RelativeTolerance::isAtLeast(400, $in->serviceA);
        $amp = Ampacity::amps($in->conductor->material, $in->conductor->size, $in->conductor->terminalC);
        $onLug = ['L1' => [], 'L2' => [], 'N' => []];
        foreach ($in->line as $one) {
            $onLug[$one->lug][] = $one;
        }
        $hots1 = count($onLug['L1']);
        $hots2 = count($onLug['L2']);
        $neutrals = count($onLug['N']);
        $sets = min($hots1, $hots2);
        $serviceAmpacityA = $amp * $sets;
        $requiredA = $is83 ? 0.83 * $in->serviceA : $in->serviceA;
        $isEnough = $is83 ? RelativeTolerance::isAtLeast($serviceAmpacityA, $requiredA) : RelativeTolerance::isAtLeast(
            Ampacity::roundUp($serviceAmpacityA),
            $in->serviceA,
        );
        $working->add('Service conductors', sprintf('%d sets × %d A', $sets, $amp), $serviceAmpacityA, 'A');
        $lugs = [];
        foreach ($onLug as $lug => $ones) {
            $lugs[] = $this->lug($lug, $ones, $in->loadA);
        }
        $this->judgeLine($lugs, $hots1, $hots2, $neutrals, $sets, $in, $amp, $is83, $findings);
        if (! $isEnough) {
            $findings->raise('service-ampacity-low', ['service_ampacity_a' => $serviceAmpacityA, 'required_a' => $requiredA]);
        }
        $this->judgeSwitch($in, $onLug, $findings);
        $rows = array_map(fn(SplitPanel $panel): array => $this->judgePanel($panel, $in->serviceA, $findings), $in->panels);
        $this->judgePanels($in, $findings);
        WiringFields::confirm($findings);

        return new CalculationResult([
            'sets' => $sets,
            'conductor_a' => $amp,
            'service_ampacity_a' => $serviceAmpacityA,
            'required_service_a' => $requiredA,
            'lugs' => $lugs,
            'panels' => $rows,
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /**
     * @param list<LineConductor> $ones
     *
     * @return array{lug: string, legs: list<string>, count: int, spread_pct: int|float|null, max_share: int|float|null, worst_a: ?float}
     */
    private function lug(string $lug, array $ones, float $loadA): array
    {
        $legs = array_values(array_unique(array_map(static fn(LineConductor $one): string => $one->leg, $ones)));
        sort($legs);
        $lengths = array_map(static fn(LineConductor $one): float => $one->lengthFt, $ones);
        if ($lengths === []) {
            return ['lug' => $lug, 'legs' => $legs, 'count' => 0, 'spread_pct' => null, 'max_share' => null, 'worst_a' => null];
        }
        if (count($lengths) === 1) {
            return [
                'lug' => $lug,
                'legs' => $legs,
                'count' => 1,
                'spread_pct' => 0,
                'max_share' => 1,
                'worst_a' => $lug === 'N' ? null : $loadA,
            ];
        }
        $shortest = min($lengths);
        $share = (1 / $shortest) / array_sum(array_map(static fn(float $length): float => 1 / $length, $lengths));

        return [
            'lug' => $lug,
            'legs' => $legs,
            'count' => count($lengths),
            'spread_pct' => 100 * (max($lengths) - $shortest) / $shortest,
            'max_share' => $share,
            'worst_a' => $lug === 'N' ? null : $loadA * $share,
        ];
    }

    /**
     * @param list<array{lug: string, legs: list<string>, count: int, spread_pct: int|float|null, max_share: int|float|null,
     *     worst_a: ?float}> $lugs
     */
    private function judgeLine(
        array $lugs,
        int $hots1,
        int $hots2,
        int $neutrals,
        int $sets,
        ServiceSplitInput $in,
        int $amp,
        bool $is83,
        Findings $findings,
    ): void {
        foreach ($lugs as $lug) {
            $this->judgeLug($lug, $in->tolerancePct, $is83 ? $amp / 0.83 : $amp, $findings);
        }
        $this->judgeLegs($lugs[0]['legs'], $lugs[1]['legs'], $lugs[2]['legs'], $findings);
        if ($hots1 !== $hots2 && $hots1 > 0 && $hots2 > 0) {
            $findings->raise('service-split/sets-unequal', ['hots1' => $hots1, 'hots2' => $hots2]);
        }
        if ($neutrals > 0 && $neutrals !== $sets) {
            $findings->raise('neutral-sets-unequal', ['neutrals' => $neutrals, 'sets' => $sets]);
        }
        if (max($hots1, $hots2) > 1
            && ! Sizes::isAtLeast($in->conductor->size, '1/0')
            || $neutrals > 1
            && ! Sizes::isAtLeast($in->conductor->neutralSize, '1/0')) {
            $findings->raise('parallel-too-small');
        }
    }

    /**
     * @param array{lug: string, legs: list<string>, count: int, spread_pct: int|float|null, max_share: int|float|null,
     *     worst_a: ?float} $lug
     */
    private function judgeLug(array $lug, float $tolerancePct, float $allowedA, Findings $findings): void
    {
        if (count($lug['legs']) > 1) {
            $findings->raise('legs-crossed', [], [$lug['lug']]);
        }
        if ($lug['count'] === 0) {
            $findings->raise('lug-empty', [], [$lug['lug']]);
        }
        if ($lug['spread_pct'] !== null && RelativeTolerance::isOver($lug['spread_pct'], $tolerancePct)) {
            $findings->raise('parallel-unequal-length', [], [$lug['lug']]);
        }
        $worstA = $lug['lug'] === 'N' || $lug['count'] < 2 ? null : $lug['worst_a'];
        if ($worstA !== null && RelativeTolerance::isOver($worstA, $allowedA)) {
            $findings->raise('parallel-overload', ['worst_a' => $worstA], [$lug['lug']]);
        }
    }

    /**
     * @param list<string> $first   what lands on the lug of the first leg
     * @param list<string> $second
     * @param list<string> $neutral
     */
    private function judgeLegs(array $first, array $second, array $neutral, Findings $findings): void
    {
        $isHot = static fn(array $legs): bool => count($legs) === 1 && $legs[0] !== 'N';
        if ($isHot($first) && $first === $second) {
            $findings->raise('both-lugs-same-leg');
        }
        if ($isHot($neutral) || $first === ['N'] || $second === ['N']) {
            $findings->raise('neutral-lug-wrong');
        }
    }

    /** @param array<string, list<LineConductor>> $onLug */
    private function judgeSwitch(ServiceSplitInput $in, array $onLug, Findings $findings): void
    {
        if (RelativeTolerance::isOver($in->serviceA, $in->switch->ratingA)) {
            $findings->raise('switch-rating-low', ['rating' => $in->switch->ratingA, 'service_a' => $in->serviceA]);
        }
        if (! $in->switch->isServiceRated) {
            $findings->raise('switch-not-service-rated');
        }
        $perLug = $in->switch->wiresPerLug;
        if ($perLug === null) {
            $findings->raise('service-split/lug-count-unstated');

            return;
        }
        $counts = [...array_map(count(...), array_values($onLug)), count($in->panels)];
        foreach (['L1', 'L2'] as $lug) {
            $counts[] = array_sum(array_map(
                static fn(SplitPanel $panel): int => ($panel->legALug === $lug ? 1 : 0) + ($panel->legBLug === $lug ? 1 : 0),
                $in->panels,
            ));
        }
        if (max([0, ...$counts]) > $perLug) {
            $findings->raise('service-split/lug-overfilled', ['per_lug' => $perLug, 'counts' => max($counts)]);
        }
    }

    /**
     * @return array{id: string, feeder_ampacity_a: int, upstream_a: float, protection: string, bus_protection_a: float,
     *     flags: list<string>}
     */
    private function judgePanel(SplitPanel $p, float $serviceA, Findings $findings): array
    {
        $upstreamA = $p->ocpdA ?? $serviceA;
        $protection = self::protection($p, $serviceA, $upstreamA);
        $busA = min(array_filter([$p->mainA, $p->ocpdA, $serviceA], static fn(?float $a): bool => $a !== null));
        $raised = array_filter([
            'feeder-unprotected' => $protection === 'none' ? ['feeder_a' => $p->feederA, 'upstream_a' => $upstreamA] : null,
            'tap-rule-used' => $protection === 'none' || $protection === 'ocpd' ? null : [],
            'panel-bus-unprotected' => RelativeTolerance::isOver($busA, $p->ratingA) ? ['rating' => $p->ratingA, 'bus_a' => $busA] : null,
            'panel-legs-same-lug' => $p->legALug === $p->legBLug ? [] : null,
        ], is_array(...));
        foreach ($raised as $id => $figures) {
            $findings->raise($id, $figures, [$p->id]);
        }
        $flags = array_keys($raised);
        sort($flags);

        return [
            'id' => $p->id,
            'feeder_ampacity_a' => $p->feederA,
            'upstream_a' => $upstreamA,
            'protection' => $protection,
            'bus_protection_a' => $busA,
            'flags' => $flags,
        ];
    }

    /** @return string by what the feeder is protected: the device ahead, one of the tap rules, or none */
    private static function protection(SplitPanel $p, float $serviceA, float $upstreamA): string
    {
        if (RelativeTolerance::isAtLeast(Ampacity::roundUp($p->feederA), $upstreamA)) {
            return 'ocpd';
        }
        if ($p->ocpdA !== null) {
            return 'none'; // a tap has no device of its own
        }
        $carriesMain = $p->mainA !== null && RelativeTolerance::isAtLeast($p->feederA, $p->mainA);
        $isWithin = static fn(float $feet, float $ofService): bool => RelativeTolerance::isAtLeast($feet, $p->lengthFt)
            && RelativeTolerance::isAtLeast($p->feederA, $ofService);

        return match (true) {
            $isWithin(10, 0.1 * $serviceA) && RelativeTolerance::isAtLeast($p->feederA, $p->mainA ?? $p->ratingA) => 'tap_10',
            $carriesMain && $isWithin(25, $serviceA / 3) => 'tap_25',
            $carriesMain && $p->isOutside => 'outside_tap',
            default => 'none',
        };
    }

    private function judgePanels(ServiceSplitInput $in, Findings $findings): void
    {
        $valid = array_filter($in->panels, static fn(SplitPanel $panel): bool => $panel->legALug !== $panel->legBLug);
        if (count(array_unique(array_map(static fn(SplitPanel $panel): string => $panel->legALug, $valid))) > 1) {
            $findings->raise('panels-legs-swapped');
        }
        $sum = array_sum(array_map(static fn(SplitPanel $panel): float => $panel->mainA ?? $panel->ratingA, $in->panels));
        if (RelativeTolerance::isOver($sum, $in->serviceA)) {
            $findings->raise('panels-exceed-service', ['sum' => $sum, 'service_a' => $in->serviceA]);
        }
    }
}
