<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;

/** Picks or checks a conductor in mm², three loaded conductors. Rule: docs/rules.md#conductor. */
final readonly class MetricConductor
{
    /** Where the table of bunched circuits ends. */
    private const MOST_GROUPED = 20;

    public function size(MetricConductorInput $in): MetricConductorResult
    {
        $loadA = $in->continuousA + $in->noncontinuousA;
        $ocpdA = $in->ocpdA ?? Ampacity::nextOf(MetricTables::RATINGS, $loadA);
        $ambient = MetricTables::ambient($in->method, $in->insulationC, $in->ambientC);
        $grouping = MetricTables::grouping($in->method, $in->grouping, $in->circuits);
        $soil = $in->method->isInGround() ? MetricTables::soil($in->method, $in->soilKmW) : 1.0;
        $tableA = static fn(string $size): float => MetricTables::amps($in->method, $in->material, $in->insulationC, $size);
        $carries = static fn(string $size): float => $tableA($size) * $ambient * $grouping * $soil * $in->sets;
        $size = $in->size;
        foreach ($size === null ? Sizes::metric($in->material) : [] as $candidate) {
            $carriedA = $carries($candidate);
            if (RelativeTolerance::isAtLeast($carriedA, $loadA) && RelativeTolerance::isAtLeast(
                self::most($in, $carriedA, $ocpdA),
                $ocpdA,
            )) {
                $size = $candidate;
                break;
            }
        }
        $carriedA = $size === null ? null : $carries($size);
        $mostA = $carriedA === null ? null : self::most($in, $carriedA, $ocpdA);
        $findings = $this->judge($in, $loadA, $ocpdA, $ambient, $carriedA, $mostA);
        $working = new Working();
        if ($size !== null) {
            $factors = sprintf('%g A × %g ambient × %g grouping × %g soil × %d', $tableA($size), $ambient, $grouping, $soil, $in->sets);
            $working->add('Current-carrying capacity', $factors, $carriedA, 'A');
        }

        return new MetricConductorResult(
            $in->size === null ? 'choose' : 'check',
            $size,
            $in->sets,
            $size === null ? null : $tableA($size),
            $ambient,
            $grouping,
            $soil,
            $carriedA,
            $loadA,
            $ocpdA,
            $mostA,
            ! $findings->hasStop(),
            $findings->worstFirst(),
            $working->lines,
        );
    }

    /** The largest device that lets this much current pass no longer than the insulation stands. */
    private static function most(MetricConductorInput $in, float $carriedA, float $ocpdA): float
    {
        $k2 = $in->isFuse ? (RelativeTolerance::isAtLeast($ocpdA, 16) ? 1.6 : 1.9) : 1.45;

        return min($carriedA, 1.45 * $carriedA / $k2);
    }

    private function judge(
        MetricConductorInput $in,
        float $loadA,
        float $ocpdA,
        float $ambient,
        ?float $carriedA,
        ?float $mostA,
    ): Findings {
        $findings = new Findings();
        if ($carriedA === null || $mostA === null) {
            $findings->raise('no-size-fits');
        } elseif (RelativeTolerance::isOver($loadA, $carriedA)) {
            $findings->raise('ampacity-too-low', ['carried_a' => $carriedA, 'needed_a' => $loadA]);
        }
        if ($mostA !== null && RelativeTolerance::isOver($ocpdA, $mostA)) {
            $findings->raise('ocpd-too-large', ['ocpd_a' => $ocpdA, 'carried_a' => $carriedA]);
        }
        if ($ambient === 0.0) {
            $findings->raise('ambient-too-hot', ['ambient_c' => $in->ambientC]);
        }
        $isStandard = in_array($ocpdA, array_map(floatval(...), MetricTables::RATINGS), true);
        WiringFields::ocpdFindings($findings, $ocpdA, $loadA, $in->ocpdA !== null && ! $isStandard);
        if ($in->sets > 1) {
            $findings->raise('parallel-sharing');
        }
        if ($in->circuits > self::MOST_GROUPED && ($in->method->isInGround() || $in->grouping === 'bunched')) {
            $findings->raise('grouping-over-table');
        }
        WiringFields::closing($findings, $in->material);

        return $findings;
    }
}
