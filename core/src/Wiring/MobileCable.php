<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;

/** Will the cord carry its load without starving the air conditioner or cooking a plug. Rule: docs/rules.md#mobile-cable. */
final readonly class MobileCable
{
    /** Flexible cord at 30 °C: two, three current-carrying conductors. */
    public const CORDS = [
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

    public function answer(MobileCableInput $in): CalculationResult
    {
        $ratedA = $in->is30 ? 30 : 50;
        $legs = $this->legs($in);
        $neutralA = $in->neutralAmps();
        $worstPct = max([-INF, ...array_column($legs, 'drop_pct')]);
        $length = array_sum(array_map(static fn(CordPiece $cord): float => $cord->lengthFt, $in->cords));
        $ampacityOf = static fn(CordPiece $cord): int => self::CORDS[$cord->size][$in->isSingleLeg ? 1 : 0];
        $cordA = min([INF, ...array_map($ampacityOf, $in->cords)]);
        $maxA = max([$neutralA, ...$in->legsA]);
        $working = new Working();
        $working->add('Cord, one conductor', sprintf('%g ft in %d piece(s)', $length, count($in->cords)), $this->ohms($in), 'Ω');
        $working->add('Worst drop', sprintf('%.4g %% of %g V', $worstPct, $in->sourceV), $worstPct, '%');
        $findings = new Findings();
        $this->judgeProtection($in, $ratedA, $cordA, $maxA, $neutralA, $findings);
        $this->judgeVolts($in, $legs, $worstPct, $findings);
        $this->judgeUse($in, $findings);
        $rows = array_map(fn(PlugContact $one): array => $this->contact($one, $ratedA, $findings), $in->contacts);
        if ($in->contacts !== []) {
            $findings->raise('live-measurement');
        }
        WiringFields::confirm($findings);

        return new CalculationResult([
            'rated_a' => $ratedA,
            'neutral_a' => $neutralA,
            'legs' => $legs,
            'worst_pct' => $worstPct,
            'total_length_ft' => $length,
            'max_length_ft' => $length * $in->limitPct / $worstPct,
            'cord_ampacity_a' => $cordA,
            'max_conductor_a' => $maxA,
            'connections' => $rows,
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** Of one conductor of all cords. */
    private function ohms(MobileCableInput $in): float
    {
        $resistance = new Resistance('nec', 'cu', 'dc');

        return array_sum(array_map(
            static fn(CordPiece $cord): float => $resistance->perKft($cord->size) * $cord->lengthFt / 1000,
            $in->cords,
        ));
    }

    /** @return list<array{leg: string, current_a: float, drop_v: float, drop_pct: float, v_end: float}> */
    private function legs(MobileCableInput $in): array
    {
        [$first, $second] = [$in->legsA[0], $in->legsA[1] ?? 0.0];
        $ohms = $this->ohms($in);
        $legs = [];
        foreach ($in->legsA as $i => $amps) {
            $neutral = match (true) {
                $in->is30 => $amps,
                $in->isSingleLeg => $in->neutralAmps(),
                default => $amps - ($i === 0 ? $second : $first),
            };
            $drop = $amps * $ohms + $neutral * $ohms;
            $legs[] = [
                'leg' => 'L' . ($i + 1),
                'current_a' => $amps,
                'drop_v' => $drop,
                'drop_pct' => 100 * $drop / $in->sourceV,
                'v_end' => $in->sourceV - $drop,
            ];
        }

        return $legs;
    }

    /** @param list<array{drop_v: float, v_end: float, ...}> $legs */
    private function judgeVolts(MobileCableInput $in, array $legs, float $worstPct, Findings $findings): void
    {
        $lowest = min([INF, ...array_column($legs, 'v_end')]);
        if (RelativeTolerance::isOver(self::LOW_V, $lowest)) {
            $findings->raise('low-voltage', ['lowest' => $lowest]);
        } elseif (RelativeTolerance::isOver(self::MARGIN_V, $lowest)) {
            $findings->raise('low-voltage-margin', ['lowest' => $lowest]);
        }
        if (RelativeTolerance::isOver($worstPct, $in->limitPct)) {
            $figures = ['min_size' => null, 'drop_pct' => $worstPct, 'limit_pct' => $in->limitPct];
            $findings->raise('voltage-drop/drop-over-limit', $figures);
        }
        if (min([INF, ...array_column($legs, 'drop_v')]) < 0) {
            $findings->raise('leg-voltage-rise');
        }
    }

    private function judgeUse(MobileCableInput $in, Findings $findings): void
    {
        if (RelativeTolerance::isOver(max([0.0, ...$in->legsA]), 0.8 * $in->ocpdA)) {
            $findings->raise('load-over-80pct', ['ocpd_a' => $in->ocpdA]);
        }
        if ($in->isSingleLeg) {
            $findings->raise('single-leg-shared-neutral');
        }
        if (count($in->cords) > 1) {
            $findings->raise('joined-cords');
        }
    }

    private function judgeProtection(
        MobileCableInput $in,
        int $ratedA,
        int|float $cordA,
        float $maxA,
        float $neutralA,
        Findings $findings,
    ): void {
        if (RelativeTolerance::isOver($in->ocpdA, $ratedA)) {
            $findings->raise('ocpd-too-large', ['ocpd_a' => $in->ocpdA, 'carried_a' => $ratedA]);
        }
        if (RelativeTolerance::isOver($in->ocpdA, $cordA)) {
            $findings->raise('cord-under-protected', ['ocpd_a' => $in->ocpdA, 'cord_a' => $cordA]);
        }
        if (RelativeTolerance::isOver($maxA, $cordA)) {
            $findings->raise('cord-overloaded', ['max_a' => $maxA, 'cord_a' => $cordA]);
        }
        if (RelativeTolerance::isOver($neutralA, $ratedA)) {
            $findings->raise('mobile-cable/neutral-overload', ['neutral_a' => $neutralA]);
        }
        if ($in->is30 && $in->poles === 2) {
            $findings->raise('two-pole-on-30a');
        }
        if (! $in->is30 && ! $in->isSingleLeg && $in->poles === 1) {
            $findings->raise('ocpd-not-common-trip');
        }
    }

    /** @return array<string, mixed> */
    private function contact(PlugContact $one, int $ratedA, Findings $findings): array
    {
        $milliohm = $one->dropMv / $one->currentA;
        $atRatedW = $milliohm * $ratedA ** 2 / 1000;
        $grade = match (true) {
            RelativeTolerance::isAtLeast($atRatedW, self::HOT_W) => 'hot',
            RelativeTolerance::isAtLeast($atRatedW, self::WARM_W) => 'warm',
            default => 'good',
        };
        $flags = [];
        if ($grade === 'hot') {
            $flags[] = 'contact-hot';
            $findings->raise('contact-hot', ['at_rated_w' => $atRatedW], [$one->id]);
        } elseif ($grade === 'warm') {
            $flags[] = 'contact-warm';
            $findings->raise('contact-warm', ['at_rated_w' => $atRatedW], [$one->id]);
        }
        if (RelativeTolerance::isOver(0.25 * $ratedA, $one->currentA)) {
            $flags[] = 'low-test-current';
            $findings->raise('low-test-current', [], [$one->id]);
        }

        return [
            'id' => $one->id,
            'resistance_mohm' => $milliohm,
            'heat_w' => $one->dropMv * $one->currentA / 1000,
            'heat_at_rated_w' => $atRatedW,
            'est_rise_k' => self::KELVIN_PER_W * $atRatedW,
            'grade' => $grade, 'flags' => $flags,
        ];
    }
}
