<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\BadInput;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Does the far end get enough voltage, and how long may the run be. Rule: wiring §3. */
final readonly class VoltageDrop
{
    private const METRES_PER_FOOT = 0.3048;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $system = $in->oneOf('system', ['nec', 'iec'], 'nec');
        $circuit = $in->oneOf('circuit', ['single_phase', 'split_phase', 'three_phase']);
        $method = $in->oneOf('method', ['dc', 'k_factor', 'impedance'], 'dc');
        if ($method === 'k_factor' && $system === 'iec') {
            throw $in->at('method')->bad('The K factor belongs to circular mils.');
        }
        $material = $in->oneOf('material', ['cu', 'al']);
        $size = $this->size($in, 'size', $system, $material) ?? throw $this->missing($in, 'size');
        $sets = $in->int('sets', 1, 12, 1);
        $v = $in->number('v', 1, 1000);
        $isSplit = $circuit === 'split_phase';
        $amps = $isSplit ? [$in->number('leg1_a', 0, 5000), $in->number('leg2_a', 0, 5000)] : [$in->number('current_a', 0.001, 5000)];
        $neutralSize = $isSplit ? $this->size($in, 'neutral_size', $system, $material) : null;
        $feet = $in->maybeNumber('length_ft', 0.01, 100_000);
        $metres = $in->maybeNumber('length_m', 0.01, 100_000);
        $pf = $method === 'impedance' ? $in->number('pf', 0.1, 1, 1.0) : 1.0;
        $conduit = $system === 'nec' && $method === 'impedance' ? $in->oneOf('conduit', ['pvc', 'aluminum', 'steel'], 'pvc') : 'pvc';
        $conductorC = $system === 'nec' && $method !== 'k_factor' ? $in->number('conductor_temp_c', -40, 150, 75.0) : 75.0;
        $limitPct = $in->number('limit_pct', 0, 50, 3.0, aboveMin: true);
        $upstreamPct = $in->number('upstream_drop_pct', 0, 50, 0.0);
        $totalLimitPct = $in->number('total_limit_pct', 0, 50, 5.0, aboveMin: true);
        $in->close();
        if (($feet === null) === ($metres === null)) {
            throw $in->node->at('length_ft', null)->bad('The length is needed once: in feet or in metres.');
        }
        if ($isSplit && array_sum($amps) < 0.001) {
            throw $in->node->at('leg1_a', null)->bad('A load is needed on one leg at least.');
        }
        $feet ??= (float) $metres / self::METRES_PER_FOOT;
        $metres ??= $feet * self::METRES_PER_FOOT;
        $resistance = new Resistance($system, $material, $method, $conductorC, $conduit);
        $z = static fn(string $size): float => ($resistance->perKft($size) * $pf + $resistance->reactancePerKft($size) * sqrt(1 - $pf ** 2)) / $sets / 1000;
        $drop = static fn(string $size): array => self::drop($circuit, $v, $amps, $z($size) * $feet, $z($neutralSize ?? $size) * $feet);
        $result = $drop($size);
        $dropPct = $result['drop_pct'];
        $minSize = null;
        foreach ($resistance->sizes() as $candidate) {
            if (Relative::isAtLeast($limitPct, $drop($candidate)['drop_pct'])) {
                $minSize = $candidate;
                break;
            }
        }
        $working = new Working();
        $working->add('Ohms of one conductor', sprintf('%.4g Ω per 1000 ft × %g ft / %d', $z($size) * $sets * 1000, $feet, $sets), $z($size) * $feet, 'Ω');
        $working->add('Drop', 'the largest of all', $dropPct, '%');
        $findings = new Findings();
        $total = $dropPct + $upstreamPct;
        if (Relative::isOver($dropPct, 10)) {
            $findings->stop('drop-severe', sprintf('%.1f %% are lost on the way', $dropPct), 'Contactors chatter, motors stall, electronics drop out.');
        }
        if (Relative::isOver($dropPct, $limitPct)) {
            $findings->warn('drop-over-limit', sprintf('%.1f %%, %g %% is the limit', $dropPct, $limitPct), 'A common recommendation, not law everywhere.' . ($minSize === null ? ' No single size keeps it.' : " Size $minSize keeps it."));
        }
        if (Relative::isOver($total, $totalLimitPct)) {
            $findings->warn('total-drop-over-limit', sprintf('%.1f %% with what is lost before, %g %% is the limit', $total, $totalLimitPct), 'The appliance sees all of it.');
        }
        $isLarge = $system === 'iec' ? (float) $size >= 120 : Sizes::isAtLeast($size, '4/0');
        if ($method !== 'impedance' && $isLarge) {
            $findings->note('reactance-ignored', 'Reactance is left out at this size', 'It counts for as much as the resistance here. Reckon it by impedance.');
        }
        if ($isSplit && min($result['leg1_drop_v'] ?? 0.0, $result['leg2_drop_v'] ?? 0.0) < 0) {
            $findings->note('leg-voltage-rise', 'The light leg rises', 'The neutral lifts it. Balance the legs.');
        }
        $maxFt = $feet * $limitPct / $dropPct;

        return new Answer([
            'r_ohm_per_kft' => $resistance->perKft($size), 'r_ohm_per_km' => $resistance->perKm($size), 'x_ohm_per_kft' => $resistance->reactancePerKft($size), 'x_ohm_per_km' => $resistance->reactancePerKm($size),
            'length_ft' => $feet, 'length_m' => $metres, 'drop_pct' => $dropPct, 'total_drop_pct' => $total, 'max_length_ft' => $maxFt, 'max_length_m' => $maxFt * self::METRES_PER_FOOT,
            'min_size_for_limit' => $minSize, 'passes' => ! $findings->hasStop(),
        ] + array_diff_key($result, ['drop_pct' => true]), $findings->all(), $working->lines);
    }

    /**
     * @param list<float> $amps
     *
     * @return array<string, float>
     */
    private static function drop(string $circuit, float $v, array $amps, float $ohms, float $neutralOhms): array
    {
        if ($circuit !== 'split_phase') {
            $dropV = ($circuit === 'single_phase' ? 2 : sqrt(3)) * $amps[0] * $ohms;

            return ['drop_pct' => 100 * $dropV / $v, 'drop_v' => $dropV, 'v_end' => $v - $dropV];
        }
        [$a, $b] = $amps;
        $leg1 = $a * $ohms + ($a - $b) * $neutralOhms;
        $leg2 = $b * $ohms + ($b - $a) * $neutralOhms;
        $line = ($a + $b) * $ohms;
        $percents = [100 * $leg1 / ($v / 2), 100 * $leg2 / ($v / 2), 100 * $line / $v];

        return [
            'drop_pct' => max($percents), 'neutral_a' => abs($a - $b), 'leg1_drop_v' => $leg1, 'leg2_drop_v' => $leg2, 'line_drop_v' => $line,
            'leg1_drop_pct' => $percents[0], 'leg2_drop_pct' => $percents[1], 'line_drop_pct' => $percents[2],
            'leg1_v_end' => $v / 2 - $leg1, 'leg2_v_end' => $v / 2 - $leg2, 'line_v_end' => $v - $line,
        ];
    }

    private function size(Fields $in, string $key, string $system, string $material): ?string
    {
        return $system === 'iec' ? $in->maybeOneOf($key, Sizes::metric($material)) : WiringFields::maybeSize($in, $key, $material);
    }

    private function missing(Fields $in, string $key): BadInput
    {
        return BadInput::missing($in->node->at($key, null)->path);
    }
}
