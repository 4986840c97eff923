<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\Fields;

/** The same in mm², clipped direct, three loaded conductors. Rule: wiring §2, system iec. */
final readonly class MetricConductor
{
    public function answer(Fields $in): Answer
    {
        $material = $in->oneOf('material', ['cu', 'al']);
        $insulationC = WiringFields::oneInt($in, 'insulation_c', [70, 90], 70);
        [$continuousA, $otherA] = WiringFields::load($in);
        $ocpdGiven = $in->maybeNumber('ocpd_a', 6, 5000);
        $isFuse = $in->oneOf('device', ['breaker', 'gg_fuse'], 'breaker') === 'gg_fuse';
        $ambientC = $in->number('ambient_c', -40, 90, 30.0);
        $circuits = $in->int('circuits', 1, 100, 1);
        $grouping = $in->oneOf('grouping', ['bunched', 'single_layer'], 'bunched');
        $sets = $in->int('sets', 1, 12, 1);
        $size = $in->maybeOneOf('size', Sizes::metric($material));
        $in->close();
        WiringFields::needsLoad($in, $continuousA, $otherA);

        $loadA = $continuousA + $otherA;
        $ocpdA = $ocpdGiven ?? Ampacity::nextOf(Ampacity::METRIC_RATINGS, $loadA);
        $fa = Derating::metricAmbient($insulationC, $ambientC);
        $fg = Derating::grouping($grouping, $circuits);
        $k2 = $isFuse ? (Relative::isAtLeast($ocpdA, 16) ? 1.6 : 1.9) : 1.45;
        $carries = static fn(string $size): float => Ampacity::metricAmps($material, $size, $insulationC) * $fa * $fg * $sets;
        $most = static fn(float $iz): float => min($iz, 1.45 * $iz / $k2);
        $isCheck = $size !== null;
        foreach ($isCheck ? [] : Sizes::metric($material) as $candidate) {
            if (Relative::isAtLeast($carries($candidate), $loadA) && Relative::isAtLeast($most($carries($candidate)), $ocpdA)) {
                $size = $candidate;
                break;
            }
        }
        $findings = new Findings();
        $working = new Working();
        $iz = $size === null ? null : $carries($size);
        if ($iz === null || $size === null) {
            $findings->stop('no-size-fits', 'No size of the list carries this', 'Use more cables in parallel, a cooler way, or fewer circuits together.');
        } else {
            $working->add('Current-carrying capacity', sprintf('%g A × %g ambient × %g grouping × %d', Ampacity::metricAmps($material, $size, $insulationC), $fa, $fg, $sets), $iz, 'A');
            if (Relative::isOver($loadA, $iz)) {
                $findings->stop('ampacity-too-low', sprintf('%.1f A, %g A are needed', $iz, $loadA), 'The insulation ages and fails. Take a larger size.');
            }
            if (Relative::isOver($ocpdA, $most($iz))) {
                $findings->stop('ocpd-too-large', sprintf('%g A protects too late for %.1f A', $ocpdA, $iz), 'The cable burns before the device opens. Take a smaller one, or a larger cable.');
            }
        }
        if ($fa == 0.0) {
            $findings->stop('ambient-too-hot', sprintf('At %g °C this insulation carries nothing', $ambientC), 'Choose another way, or insulation for more heat.');
        }
        WiringFields::ocpdFindings($findings, $ocpdA, $loadA, $ocpdGiven !== null && ! in_array($ocpdA, array_map(floatval(...), Ampacity::METRIC_RATINGS), true));
        if ($sets > 1) {
            $findings->note('parallel-sharing', 'Parallel cables must share alike', 'Same length, same way, same size; else one carries more.');
        }
        if ($grouping === 'bunched' && $circuits > 20) {
            $findings->note('grouping-over-table', 'More circuits than the table knows are bunched', 'Part them, or have it reckoned.');
        }
        WiringFields::closing($findings, $material);

        return new Answer([
            'mode' => $isCheck ? 'check' : 'choose', 'size' => $size, 'sets' => $sets, 'table_a' => $size === null ? null : Ampacity::metricAmps($material, $size, $insulationC),
            'ambient_factor' => $fa, 'grouping_factor' => $fg, 'ampacity_a' => $iz, 'load_a' => $loadA, 'ocpd_a' => $ocpdA, 'ocpd_max_a' => $iz === null ? null : $most($iz),
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }
}
