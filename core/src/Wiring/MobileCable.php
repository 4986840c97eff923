<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\RelativeTolerance;

/** Will the cord carry its load without starving the air conditioner or cooking a plug. Rule: docs/rules.md#mobile-cable. */
final readonly class MobileCable
{
    /** Flexible cord at 30 °C: two, three current-carrying conductors. */
    private const CORDS = [
        '14' => [18, 15],
        '12' => [25, 20],
        '10' => [30, 25],
        '8' => [40, 35],
        '6' => [55, 45],
        '4' => [70, 60],
        '2' => [95, 80],
    ];
    /** Workshop figures: watts of one contact, and what a plug-sized body warms by each. */
    private const HOT_W = 5;
    private const WARM_W = 2;
    private const KELVIN_PER_W = 8;
    private const LOW_V = 104;
    private const MARGIN_V = 108;

    public function answer(Node $input): CalculationResult
    {
        $in = new Fields($input);
        $is30 = $in->oneOf('feed', ['30a', '50a']) === '30a';
        $own = $is30 ? ['current_a'] : ['l1_a', 'l2_a', 'single_leg_source'];
        $in->only(['feed', 'source_v', 'cords', ...$own, 'ocpd_a', 'ocpd_poles', 'limit_pct', 'connections']);
        $sourceV = $in->number('source_v', 100, 140, 120.0);
        $sizes = array_map(strval(...), array_keys(self::CORDS));
        $cords = $in->each(
            'cords',
            1,
            5,
            static fn(Fields $one): array => [
                'size' => $one->only(['size', 'length_ft'])->oneOf('size', $sizes),
                'length' => $one->number('length_ft', 0.1, 500),
            ],
            isOptional: false,
        );
        $first = $in->number($is30 ? 'current_a' : 'l1_a', 0, 100);
        $second = $is30 ? 0.0 : $in->number('l2_a', 0, 100);
        $amps = $is30 ? [$first] : [$first, $second];
        $isSingleLeg = ! $is30 && $in->bool('single_leg_source', false);
        $ocpdA = $in->number('ocpd_a', 5, 200);
        $poles = $in->int('ocpd_poles', 1, 2, $is30 ? 1 : 2);
        $limitPct = $in->number('limit_pct', 0, 20, 3.0, aboveMin: true);
        /** @var list<array{id: string, mv: float, a: float}> $connections */
        $connections = $in->each(
            'connections',
            0,
            20,
            static fn(Fields $one): array => [
                'id' => $one->only(['id', 'drop_mv', 'current_a'])->text('id', 40),
                'mv' => $one->number('drop_mv', 0, 5000),
                'a' => $one->number('current_a', 0.01, 100),
            ],
            idsLast: true,
        );
        $in->close();
        if (array_sum($amps) < 0.001) {
            throw $in->node->at($is30 ? 'current_a' : 'l1_a', null)->bad('A load is needed.');
        }

        $ratedA = $is30 ? 30 : 50;
        $resistance = new Resistance('nec', 'cu', 'dc');
        $ohms = array_sum(array_map(static fn(array $cord): float => $resistance->perKft($cord['size']) * $cord['length'] / 1000, $cords));
        $neutralA = $isSingleLeg ? $first + $second : abs($first - $second);
        $legs = [];
        foreach ($amps as $i => $a) {
            $n = $is30 ? $a : ($isSingleLeg ? $neutralA : $a - ($i === 0 ? $second : $first));
            $drop = $a * $ohms + $n * $ohms;
            $legs[] = [
                'leg' => 'L' . ($i + 1),
                'current_a' => $a,
                'drop_v' => $drop,
                'drop_pct' => 100 * $drop / $sourceV,
                'v_end' => $sourceV - $drop,
            ];
        }
        $worstPct = max([-INF, ...array_column($legs, 'drop_pct')]);
        $length = array_sum(array_column($cords, 'length'));
        $cordA = min([INF, ...array_map(static fn(array $cord): int => self::CORDS[$cord['size']][$isSingleLeg ? 1 : 0], $cords)]);
        $maxA = max([$neutralA, ...$amps]);
        $working = new Working();
        $working->add('Cord, one conductor', sprintf('%g ft in %d piece(s)', $length, count($cords)), $ohms, 'Ω');
        $working->add('Worst drop', sprintf('%.4g %% of %g V', $worstPct, $sourceV), $worstPct, '%');
        $findings = new Findings();
        $this->judgeProtection($is30, $isSingleLeg, $ocpdA, $poles, $ratedA, $cordA, $maxA, $neutralA, $findings);
        $lowest = min([INF, ...array_column($legs, 'v_end')]);
        if (RelativeTolerance::isOver(self::LOW_V, $lowest)) {
            $findings->raise('low-voltage', ['lowest' => $lowest]);
        } elseif (RelativeTolerance::isOver(self::MARGIN_V, $lowest)) {
            $findings->raise('low-voltage-margin', ['lowest' => $lowest]);
        }
        if (RelativeTolerance::isOver($worstPct, $limitPct)) {
            $findings->raise('voltage-drop/drop-over-limit', ['min_size' => null, 'drop_pct' => $worstPct, 'limit_pct' => $limitPct]);
        }
        if (min([INF, ...array_column($legs, 'drop_v')]) < 0) {
            $findings->raise('leg-voltage-rise');
        }
        if (RelativeTolerance::isOver(max([0.0, ...$amps]), 0.8 * $ocpdA)) {
            $findings->raise('load-over-80pct', ['ocpd_a' => $ocpdA]);
        }
        if ($isSingleLeg) {
            $findings->raise('single-leg-shared-neutral');
        }
        if (count($cords) > 1) {
            $findings->raise('joined-cords');
        }
        $rows = array_map(fn(array $one): array => $this->contact($one, $ratedA, $findings), $connections);
        if ($connections !== []) {
            $findings->raise('live-measurement');
        }
        WiringFields::confirm($findings);

        return new CalculationResult([
            'rated_a' => $ratedA,
            'neutral_a' => $neutralA,
            'legs' => $legs,
            'worst_pct' => $worstPct,
            'total_length_ft' => $length,
            'max_length_ft' => $length * $limitPct / $worstPct,
            'cord_ampacity_a' => $cordA, 'max_conductor_a' => $maxA, 'connections' => $rows, 'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    private function judgeProtection(
        bool $is30,
        bool $isSingleLeg,
        float $ocpdA,
        int $poles,
        int $ratedA,
        int|float $cordA,
        float $maxA,
        float $neutralA,
        Findings $findings,
    ): void {
        if (RelativeTolerance::isOver($ocpdA, $ratedA)) {
            $findings->raise('ocpd-too-large', ['ocpd_a' => $ocpdA, 'carried_a' => $ratedA]);
        }
        if (RelativeTolerance::isOver($ocpdA, $cordA)) {
            $findings->raise('cord-under-protected', ['ocpd_a' => $ocpdA, 'cord_a' => $cordA]);
        }
        if (RelativeTolerance::isOver($maxA, $cordA)) {
            $findings->raise('cord-overloaded', ['max_a' => $maxA, 'cord_a' => $cordA]);
        }
        if (RelativeTolerance::isOver($neutralA, $ratedA)) {
            $findings->raise('mobile-cable/neutral-overload', ['neutral_a' => $neutralA]);
        }
        if ($is30 && $poles === 2) {
            $findings->raise('two-pole-on-30a');
        }
        if (! $is30 && ! $isSingleLeg && $poles === 1) {
            $findings->raise('ocpd-not-common-trip');
        }
    }

    /**
     * @param array{id: string, mv: float, a: float} $one
     *
     * @return array<string, mixed>
     */
    private function contact(array $one, int $ratedA, Findings $findings): array
    {
        $milliohm = $one['mv'] / $one['a'];
        $atRatedW = $milliohm * $ratedA ** 2 / 1000;
        $grade = match (true) {
            RelativeTolerance::isAtLeast($atRatedW, self::HOT_W) => 'hot',
            RelativeTolerance::isAtLeast($atRatedW, self::WARM_W) => 'warm',
            default => 'good',
        };
        $flags = [];
        if ($grade === 'hot') {
            $flags[] = 'contact-hot';
            $findings->raise('contact-hot', ['at_rated_w' => $atRatedW], [$one['id']]);
        } elseif ($grade === 'warm') {
            $flags[] = 'contact-warm';
            $findings->raise('contact-warm', ['at_rated_w' => $atRatedW], [$one['id']]);
        }
        if (RelativeTolerance::isOver(0.25 * $ratedA, $one['a'])) {
            $flags[] = 'low-test-current';
            $findings->raise('low-test-current', [], [$one['id']]);
        }

        return [
            'id' => $one['id'],
            'resistance_mohm' => $milliohm,
            'heat_w' => $one['mv'] * $one['a'] / 1000,
            'heat_at_rated_w' => $atRatedW,
            'est_rise_k' => self::KELVIN_PER_W * $atRatedW,
            'grade' => $grade, 'flags' => $flags,
        ];
    }
}
