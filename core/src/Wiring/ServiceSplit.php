<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\RelativeTolerance;

/**
 * Two sets from the meter, one service-rated switch, two panels. The two conductors on a line lug must be the same leg:
 * crossed, they bolt the legs together. Rule: docs/rules.md#service-split.
 */
final readonly class ServiceSplit
{
    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only([
            'service_ocpd_a',
            'dwelling_83pct',
            'load_a',
            'switch',
            'conductor',
            'line',
            'length_tolerance_pct',
            'panels',
        ]);
        $serviceA = $in->number('service_ocpd_a', 100, 1200);
        $asked83 = $in->bool('dwelling_83pct', true);
        $loadA = $in->number('load_a', 0.001, 2000, $serviceA);
        $switchIn = $in->object('switch')->only(['rating_a', 'service_rated', 'wires_per_lug']);
        $switch = [
            'rating' => $switchIn->number('rating_a', 30, 4000),
            'isServiceRated' => $switchIn->bool('service_rated'),
            'perLug' => $switchIn->maybeInt('wires_per_lug', 1, 8),
        ];
        $switchIn->close();
        $conductor = $this->conductor($conductorIn = $in->object('conductor'));
        /** @var list<array{id: string, leg: string, lug: string, length: float}> $line */
        $line = $in->each('line', 3, 24, static fn(Fields $one): array => [
            'id' => $one->only(['id', 'leg', 'lug', 'length_ft'])->text('id', 40),
            'leg' => $one->oneOf('leg', ['A', 'B', 'N']),
            'lug' => $one->oneOf('lug', ['L1', 'L2', 'N']),
            'length' => $one->number('length_ft', 0.1, 10_000),
        ], isOptional: false, idsLast: true);
        $tolerancePct = $in->number('length_tolerance_pct', 0, 20, 1.0);
        $panels = $in->each('panels', 1, 4, $this->panel(...), isOptional: false, idsLast: true);
        WiringFields::refuseSmallAluminum($conductorIn, 'size', $conductor['size'], $conductor['material']);
        WiringFields::refuseSmallAluminum($conductorIn, 'neutral_size', $conductor['neutral'], $conductor['material']);
        foreach ($in->list('panels', 1, 4) as $panel) {
            $feeder = (new Fields($panel))->object('feeder');
            WiringFields::refuseSmallAluminum($feeder, 'size', $feeder->text('size'), $feeder->text('material'));
        }

        $findings = new Findings();
        $working = new Working();
        $is83 = $asked83 && RelativeTolerance::isAtLeast(400, $serviceA);
        $amp = Ampacity::amps($conductor['material'], $conductor['size'], $conductor['terminal']);
        $onLug = ['L1' => [], 'L2' => [], 'N' => []];
        foreach ($line as $one) {
            $onLug[$one['lug']][] = $one;
        }
        $hots1 = count($onLug['L1']);
        $hots2 = count($onLug['L2']);
        $neutrals = count($onLug['N']);
        $sets = min($hots1, $hots2);
        $serviceAmpacityA = $amp * $sets;
        $requiredA = $is83 ? 0.83 * $serviceA : $serviceA;
        $isEnough = $is83 ? RelativeTolerance::isAtLeast($serviceAmpacityA, $requiredA) : RelativeTolerance::isAtLeast(
            Ampacity::roundUp($serviceAmpacityA),
            $serviceA,
        );
        $working->add('Service conductors', sprintf('%d sets × %d A', $sets, $amp), $serviceAmpacityA, 'A');
        $lugs = [];
        foreach ($onLug as $lug => $ones) {
            $lugs[] = $this->lug((string) $lug, $ones, $loadA);
        }
        $this->judgeLine($lugs, $hots1, $hots2, $neutrals, $sets, $conductor, $amp, $is83, $tolerancePct, $findings);
        if (! $isEnough) {
            $findings->raise('service-ampacity-low', ['service_ampacity_a' => $serviceAmpacityA, 'required_a' => $requiredA]);
        }
        $this->judgeSwitch($switch, $serviceA, $onLug, $panels, $findings);
        $rows = array_map(fn(array $panel): array => $this->judgePanel($panel, $serviceA, $findings), $panels);
        $this->judgePanels($panels, $serviceA, $findings);
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

    /** @return array{material: string, size: string, neutral: string, terminal: int} */
    private function conductor(Fields $in): array
    {
        $in->only(['material', 'size', 'neutral_size', 'terminal_c']);
        $material = $in->oneOf('material', ['cu', 'al']);
        $size = WiringFields::size($in, 'size');
        $read = [
            'material' => $material,
            'size' => $size,
            'neutral' => WiringFields::size($in, 'neutral_size', 'cu', $size),
            'terminal' => WiringFields::oneInt($in, 'terminal_c', [60, 75], 75),
        ];
        $in->close();

        return $read;
    }

    /**
     * @return array{id: string, rating: float, main: ?float, ocpd: ?float, feederA: int, length: float, outside: bool,
     *     legA: string, legB: string}
     */
    private function panel(Fields $in): array
    {
        $in->only(['id', 'rating_a', 'main_a', 'feeder_ocpd_a', 'feeder', 'outside', 'leg_a_lug', 'leg_b_lug']);
        $id = $in->text('id', 40);
        $rating = $in->number('rating_a', 30, 1200);
        $maybe = static fn(string $key): ?float => $in->has($key) && ! $in->at($key)->isNull() ? $in->number($key, 15, 1200) : null;
        $main = $maybe('main_a');
        $ocpd = $maybe('feeder_ocpd_a');
        $feeder = $in->object('feeder')->only(['material', 'size', 'length_ft', 'terminal_c']);
        $material = $feeder->oneOf('material', ['cu', 'al']);
        $size = WiringFields::size($feeder, 'size');
        $length = $feeder->number('length_ft', 0.1, 10_000);
        $terminal = WiringFields::oneInt($feeder, 'terminal_c', [60, 75], 75);
        $feeder->close();

        return [
            'id' => $id,
            'rating' => $rating,
            'main' => $main,
            'ocpd' => $ocpd,
            'feederA' => Ampacity::amps($material, $size, $terminal),
            'length' => $length,
            'outside' => $in->bool('outside', false),
            'legA' => $in->oneOf('leg_a_lug', ['L1', 'L2']),
            'legB' => $in->oneOf('leg_b_lug', ['L1', 'L2']),
        ];
    }

    /**
     * @param list<array{leg: string, length: float, ...}> $ones
     *
     * @return array{lug: string, legs: list<string>, count: int, spread_pct: int|float|null, max_share: int|float|null, worst_a: ?float}
     */
    private function lug(string $lug, array $ones, float $loadA): array
    {
        $legs = array_values(array_unique(array_column($ones, 'leg')));
        sort($legs);
        $lengths = array_column($ones, 'length');
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
     * @param array{size: string, neutral: string, ...} $conductor
     */
    private function judgeLine(
        array $lugs,
        int $hots1,
        int $hots2,
        int $neutrals,
        int $sets,
        array $conductor,
        int $amp,
        bool $is83,
        float $tolerancePct,
        Findings $findings,
    ): void {
        [$l1, $l2, $n] = $lugs;
        foreach ($lugs as $lug) {
            if (count($lug['legs']) > 1) {
                $findings->raise('legs-crossed', [], [$lug['lug']]);
            }
            if ($lug['count'] === 0) {
                $findings->raise('lug-empty', [], [$lug['lug']]);
            }
            if ($lug['spread_pct'] !== null && RelativeTolerance::isOver($lug['spread_pct'], $tolerancePct)) {
                $findings->raise('parallel-unequal-length', [], [$lug['lug']]);
            }
            if ($lug['lug'] !== 'N' && $lug['count'] >= 2 && $lug['worst_a'] !== null && RelativeTolerance::isOver(
                $lug['worst_a'],
                $is83 ? $amp / 0.83 : $amp,
            )) {
                $findings->raise('parallel-overload', ['worst_a' => $lug['worst_a']], [$lug['lug']]);
            }
        }
        $isHot = static fn(array $legs): bool => count($legs) === 1 && $legs[0] !== 'N';
        if ($isHot($l1['legs']) && $l1['legs'] === $l2['legs']) {
            $findings->raise('both-lugs-same-leg');
        }
        if ($isHot($n['legs']) || $l1['legs'] === ['N'] || $l2['legs'] === ['N']) {
            $findings->raise('neutral-lug-wrong');
        }
        if ($hots1 !== $hots2 && $hots1 > 0 && $hots2 > 0) {
            $findings->raise('service-split/sets-unequal', ['hots1' => $hots1, 'hots2' => $hots2]);
        }
        if ($neutrals > 0 && $neutrals !== $sets) {
            $findings->raise('neutral-sets-unequal', ['neutrals' => $neutrals, 'sets' => $sets]);
        }
        if (max($hots1, $hots2) > 1
            && ! Sizes::isAtLeast($conductor['size'], '1/0')
            || $neutrals > 1
            && ! Sizes::isAtLeast($conductor['neutral'], '1/0')) {
            $findings->raise('parallel-too-small');
        }
    }

    /**
     * @param array{rating: float, isServiceRated: bool, perLug: ?int}               $switch
     * @param array<string, list<array{leg: string, ...}>>                           $onLug
     * @param list<array{legA: string, legB: string, ...}>                           $panels
     */
    private function judgeSwitch(array $switch, float $serviceA, array $onLug, array $panels, Findings $findings): void
    {
        if (RelativeTolerance::isOver($serviceA, $switch['rating'])) {
            $findings->raise('switch-rating-low', ['rating' => $switch['rating'], 'service_a' => $serviceA]);
        }
        if (! $switch['isServiceRated']) {
            $findings->raise('switch-not-service-rated');
        }
        if ($switch['perLug'] === null) {
            $findings->raise('service-split/lug-count-unstated');

            return;
        }
        $counts = [...array_map(count(...), array_values($onLug)), count($panels)];
        foreach (['L1', 'L2'] as $lug) {
            $counts[] = array_sum(array_map(
                static fn(array $panel): int => ($panel['legA'] === $lug ? 1 : 0) + ($panel['legB'] === $lug ? 1 : 0),
                $panels,
            ));
        }
        if (max([0, ...$counts]) > $switch['perLug']) {
            $findings->raise('service-split/lug-overfilled', ['per_lug' => $switch['perLug'], 'counts' => max($counts)]);
        }
    }

    /**
     * @param array{id: string, rating: float, main: ?float, ocpd: ?float, feederA: int, length: float, outside: bool,
     *     legA: string, legB: string} $p
     *
     * @return array{id: string, feeder_ampacity_a: int, upstream_a: float, protection: string, bus_protection_a: float,
     *     flags: list<string>}
     */
    private function judgePanel(array $p, float $serviceA, Findings $findings): array
    {
        $upstreamA = $p['ocpd'] ?? $serviceA;
        $isTap = $p['ocpd'] === null;
        $carriesMain = $p['main'] !== null && RelativeTolerance::isAtLeast($p['feederA'], $p['main']);
        $protection = match (true) {
            RelativeTolerance::isAtLeast(Ampacity::roundUp($p['feederA']), $upstreamA) => 'ocpd',
            $isTap
                && RelativeTolerance::isAtLeast(10, $p['length'])
                && RelativeTolerance::isAtLeast($p['feederA'], 0.1 * $serviceA)
                && RelativeTolerance::isAtLeast(
                    $p['feederA'],
                    $p['main'] ?? $p['rating'],
                ) => 'tap_10',
            $isTap
                && RelativeTolerance::isAtLeast(25, $p['length'])
                && RelativeTolerance::isAtLeast($p['feederA'], $serviceA / 3)
                && $carriesMain => 'tap_25',
            $isTap && $p['outside'] && $carriesMain => 'outside_tap',
            default => 'none',
        };
        $busA = min(array_filter([$p['main'], $p['ocpd'], $serviceA], static fn(?float $a): bool => $a !== null));
        $flags = [];
        if ($protection === 'none') {
            $flags[] = 'feeder-unprotected';
            $findings->raise('feeder-unprotected', ['feeder_a' => $p['feederA'], 'upstream_a' => $upstreamA], [$p['id']]);
        } elseif ($protection !== 'ocpd') {
            $flags[] = 'tap-rule-used';
            $findings->raise('tap-rule-used', [], [$p['id']]);
        }
        if (RelativeTolerance::isOver($busA, $p['rating'])) {
            $flags[] = 'panel-bus-unprotected';
            $findings->raise('panel-bus-unprotected', ['rating' => $p['rating'], 'bus_a' => $busA], [$p['id']]);
        }
        if ($p['legA'] === $p['legB']) {
            $flags[] = 'panel-legs-same-lug';
            $findings->raise('panel-legs-same-lug', [], [$p['id']]);
        }
        sort($flags);

        return [
            'id' => $p['id'],
            'feeder_ampacity_a' => $p['feederA'],
            'upstream_a' => $upstreamA,
            'protection' => $protection,
            'bus_protection_a' => $busA,
            'flags' => $flags,
        ];
    }

    /** @param list<array{id: string, rating: float, main: ?float, legA: string, legB: string, ...}> $panels */
    private function judgePanels(array $panels, float $serviceA, Findings $findings): void
    {
        $valid = array_filter($panels, static fn(array $panel): bool => $panel['legA'] !== $panel['legB']);
        if (count(array_unique(array_column($valid, 'legA'))) > 1) {
            $findings->raise('panels-legs-swapped');
        }
        $sum = array_sum(array_map(static fn(array $panel): float => $panel['main'] ?? $panel['rating'], $panels));
        if (RelativeTolerance::isOver($sum, $serviceA)) {
            $findings->raise('panels-exceed-service', ['sum' => $sum, 'service_a' => $serviceA]);
        }
    }
}
