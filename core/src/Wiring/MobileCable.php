<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Will the cord carry its load without starving the air conditioner or cooking a plug. Rule: wiring §10. */
final readonly class MobileCable
{
    /** Flexible cord at 30 °C: two, three current-carrying conductors. */
    private const CORDS = ['14' => [18, 15], '12' => [25, 20], '10' => [30, 25], '8' => [40, 35], '6' => [55, 45], '4' => [70, 60], '2' => [95, 80]];
    /** Workshop figures: watts of one contact, and what a plug-sized body warms by each. */
    private const HOT_W = 5;
    private const WARM_W = 2;
    private const KELVIN_PER_W = 8;
    private const LOW_V = 104;
    private const MARGIN_V = 108;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $is30 = $in->oneOf('feed', ['30a', '50a']) === '30a';
        $sourceV = $in->number('source_v', 100, 140, 120.0);
        $sizes = array_map(strval(...), array_keys(self::CORDS));
        /** @var list<array{size: string, length: float}> $cords */
        $cords = $in->each('cords', 1, 5, static fn(Fields $one): array => ['size' => $one->oneOf('size', $sizes), 'length' => $one->number('length_ft', 0.1, 500)], isOptional: false);
        $first = $in->number($is30 ? 'current_a' : 'l1_a', 0, 100);
        $second = $is30 ? 0.0 : $in->number('l2_a', 0, 100);
        $amps = $is30 ? [$first] : [$first, $second];
        $isSingleLeg = ! $is30 && $in->bool('single_leg_source', false);
        $ocpdA = $in->number('ocpd_a', 5, 200);
        $poles = $in->int('ocpd_poles', 1, 2, $is30 ? 1 : 2);
        $limitPct = $in->number('limit_pct', 0, 20, 3.0, aboveMin: true);
        /** @var list<array{id: string, mv: float, a: float}> $connections */
        $connections = $in->each('connections', 0, 20, static fn(Fields $one): array => ['id' => $one->text('id', 40), 'mv' => $one->number('drop_mv', 0, 5000), 'a' => $one->number('current_a', 0.01, 100)]);
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
            $legs[] = ['leg' => 'L' . ($i + 1), 'current_a' => $a, 'drop_v' => $drop, 'drop_pct' => 100 * $drop / $sourceV, 'v_end' => $sourceV - $drop];
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
        if (Relative::isOver(self::LOW_V, $lowest)) {
            $findings->stop('low-voltage', sprintf('%.1f V at the end of the cord', $lowest), 'Compressors stall and burn. A shorter or heavier cord, or less load.');
        } elseif (Relative::isOver(self::MARGIN_V, $lowest)) {
            $findings->warn('low-voltage-margin', sprintf('%.1f V at the end of the cord', $lowest), 'On a weak pedestal a compressor stalls.');
        }
        if (Relative::isOver($worstPct, $limitPct)) {
            $findings->warn('drop-over-limit', sprintf('%.1f %%, %g %% is the limit', $worstPct, $limitPct), 'A shorter or heavier cord.');
        }
        if (min([INF, ...array_column($legs, 'drop_v')]) < 0) {
            $findings->note('leg-voltage-rise', 'The light leg rises', 'The neutral lifts it. Move load to it.');
        }
        if (Relative::isOver(max([0.0, ...$amps]), 0.8 * $ocpdA)) {
            $findings->note('load-over-80pct', sprintf('More than 80 %% of %g A', $ocpdA), 'For hours on end a breaker carries 80 %.');
        }
        if ($isSingleLeg) {
            $findings->note('single-leg-shared-neutral', 'Both legs come from one 120 V source', 'Only where the switch\'s maker allows it, with no 240 V loads, and multiwire neutrals checked.');
        }
        if (count($cords) > 1) {
            $findings->note('joined-cords', 'Cords are joined', 'Each joint is a contact that can heat. Keep it dry and look at it.');
        }
        $rows = array_map(fn(array $one): array => $this->contact($one, $ratedA, $findings), $connections);
        if ($connections !== []) {
            $findings->note('live-measurement', 'A contact\'s drop is measured under load', 'Fused leads, insulated probes, a qualified person; or infer it from its temperature instead.');
        }
        WiringFields::confirm($findings);

        return new Answer([
            'rated_a' => $ratedA, 'neutral_a' => $neutralA, 'legs' => $legs, 'worst_pct' => $worstPct, 'total_length_ft' => $length, 'max_length_ft' => $length * $limitPct / $worstPct,
            'cord_ampacity_a' => $cordA, 'max_conductor_a' => $maxA, 'connections' => $rows, 'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    private function judgeProtection(bool $is30, bool $isSingleLeg, float $ocpdA, int $poles, int $ratedA, int|float $cordA, float $maxA, float $neutralA, Findings $findings): void
    {
        if (Relative::isOver($ocpdA, $ratedA)) {
            $findings->stop('ocpd-too-large', sprintf('%g A for plug and inlet of %d A', $ocpdA, $ratedA), 'They burn before it opens.');
        }
        if (Relative::isOver($ocpdA, $cordA)) {
            $findings->stop('cord-under-protected', sprintf('%g A for a cord of %g A', $ocpdA, $cordA), 'The cord burns before the breaker opens. A heavier cord, or a smaller breaker.');
        }
        if (Relative::isOver($maxA, $cordA)) {
            $findings->stop('cord-overloaded', sprintf('%g A on a cord of %g A', $maxA, $cordA), 'It heats, coiled up most of all.');
        }
        if (Relative::isOver($neutralA, $ratedA)) {
            $findings->stop('neutral-overload', sprintf('%g A on the neutral', $neutralA), 'No breaker is in the neutral: the plug burns.');
        }
        if ($is30 && $poles === 2) {
            $findings->stop('two-pole-on-30a', 'A two-pole breaker on a 30 A feed', '240 V on a 120 V feed destroys everything in the vehicle.');
        }
        if (! $is30 && ! $isSingleLeg && $poles === 1) {
            $findings->stop('ocpd-not-common-trip', 'The two legs have no common trip', 'One leg stays live when the other opens. Use a two-pole breaker.');
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
            Relative::isAtLeast($atRatedW, self::HOT_W) => 'hot',
            Relative::isAtLeast($atRatedW, self::WARM_W) => 'warm',
            default => 'good',
        };
        $flags = [];
        if ($grade === 'hot') {
            $flags[] = 'contact-hot';
            $findings->stop('contact-hot', sprintf('A contact gives off %.1f W at full load', $atRatedW), 'It oxidises, loosens and gets hotter: a fire. Renew the cord end.', [$one['id']]);
        } elseif ($grade === 'warm') {
            $flags[] = 'contact-warm';
            $findings->warn('contact-warm', sprintf('A contact gives off %.1f W at full load', $atRatedW), 'A sound blade is well under one milliohm. Clean it, and measure again.', [$one['id']]);
        }
        if (Relative::isOver(0.25 * $ratedA, $one['a'])) {
            $flags[] = 'low-test-current';
            $findings->warn('low-test-current', 'A contact was measured at a low current', 'Below a quarter of the rating the reading proves little.', [$one['id']]);
        }

        return [
            'id' => $one['id'], 'resistance_mohm' => $milliohm, 'heat_w' => $one['mv'] * $one['a'] / 1000, 'heat_at_rated_w' => $atRatedW, 'est_rise_k' => self::KELVIN_PER_W * $atRatedW,
            'grade' => $grade, 'flags' => $flags,
        ];
    }
}
