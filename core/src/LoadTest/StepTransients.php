<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** Dips, rises and recoveries at the load steps of a fast recording, by class. Rule: docs/rules.md#step-transients. */
final readonly class StepTransients
{
    private const SLOW_MS = 100;
    private const V_OVERSHOOT_PCT = 10;
    private const HZ_OVERSHOOT_PCT = 5;

    public function judge(TransientInput $in): TransientResult
    {
        $given = $in->stepKw === null || $in->wave->kw === null
            ? $in->steps
            : (new StepDetection($in->wave, $in->wave->kw, $in->stepKw, $in->sideMs))->steps();
        $steps = [];
        $isCut = $isShort = false;
        $working = new Working();
        foreach ($given as $n => $step) {
            $window = new StepWindow($in, $step, $given[$n - 1]->tMs ?? null, $given[$n + 1]->tMs ?? null);
            $steps[] = $one = $window->measured();
            $isCut = $isCut || $window->isCut();
            $isShort = $isShort || $step->tMs - $in->wave->tMs[0] < $in->preMs;
            $working->add(
                sprintf('Step at %.3f s', $step->tMs / 1000),
                sprintf('%.4g kW to %.4g kW, volts to %.4g, hertz to %.4g', $one->fromKw, $one->toKw, $one->vExtremeV, $one->hzExtremeHz),
                $one->classMet,
                '',
            );
        }
        $measured = array_values(array_filter($steps, static fn(MeasuredStep $step): bool => $step->isMeasured()));
        $median = $in->wave->medianMs();

        return new TransientResult(
            $steps,
            array_map(static fn(MeasuredStep $step): array => self::seen($step, $in->class), $measured),
            $median,
            $this->findings($in, $steps, $measured, $median, $isShort, $isCut)->worstFirst(),
            $working->lines,
        );
    }

    /** @return array<string, mixed> as the evaluation of a load test takes it */
    private static function seen(MeasuredStep $step, GovernorClass $class): array
    {
        return [
            't_s' => $step->tMs / 1000, 'from_kw' => $step->fromKw, 'to_kw' => $step->toKw, 'v_extreme_v' => $step->vExtremeV,
            'v_recovery_s' => $step->vRecoveriesS[$class->value] ?? null, 'v_recoveries_s' => $step->vRecoveriesS,
            'hz_before_hz' => $step->hzBeforeHz, 'hz_extreme_hz' => $step->hzExtremeHz,
            'hz_recovery_s' => $step->hzRecoveriesS[$class->value] ?? null, 'hz_recoveries_s' => $step->hzRecoveriesS,
        ];
    }

    /**
     * @param list<MeasuredStep> $steps
     * @param list<MeasuredStep> $measured
     */
    private function findings(
        TransientInput $in,
        array $steps,
        array $measured,
        float $median,
        bool $isShort,
        bool $isCut,
    ): Findings {
        $findings = new Findings();
        $class = $in->class->value;
        $any = static fn(\Closure $is): bool => array_filter($measured, $is) !== [];
        $found = [
            'no-steps' => $steps === [],
            'samples-too-slow' => Tolerance::exceeds($median, self::SLOW_MS),
            'step-transients/not-recovered' => $any(
                static fn(MeasuredStep $one): bool => ! isset($one->vRecoveriesS[$class], $one->hzRecoveriesS[$class]),
            ),
            'step-transients/dip-fails-class' => $any(static fn(MeasuredStep $one): bool => GovernorClass::rank(
                GovernorClass::tryFrom($one->classMet),
            ) < GovernorClass::rank($in->class)),
            'overshoot' => $any(static fn(MeasuredStep $one): bool => Tolerance::exceeds($one->vOvershootPct ?? 0, self::V_OVERSHOOT_PCT)
                || Tolerance::exceeds($one->hzOvershootPct ?? 0, self::HZ_OVERSHOOT_PCT)),
            'before-short' => $isShort,
            'step-cut' => $isCut,
        ];
        foreach (array_keys(array_filter($found)) as $id) {
            $findings->raise($id, ['ms' => $median, 'class' => $class]);
        }

        return $findings;
    }
}
