<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** Will the lights only blink, or will contactors drop out and the engine stall? Rule: docs/rules.md#motor-start. */
final readonly class MotorStart
{
    private const SEVERE_PCT = 35;
    private const CONTACTORS_DROP_PCT = 25;
    private const CONTACTORS_STAY_OPEN_PCT = 15;
    private const ENGINE_SHARE = 1.1;

    public function answer(MotorStartInput $in): CalculationResult
    {
        $working = new Working();
        $lockedRotor = LockedRotor::of($in->motor, $in->bound, $working);
        $start = static fn(StartMethod $method): StartOption => StartOption::of($method, $in, $lockedRotor->kva);
        $options = array_map($start, $in->motor->methods());
        $chosen = $start($in->motor->method);
        $kKva = $in->source->stiffnessKva();
        if ($kKva !== null) {
            $dip = sprintf('100 × %.4g / (%.4g + %.4g) kVA', $chosen->startKva, $chosen->startKva, $kKva);
            $working->add('Dip', $dip, $chosen->dipPct, '%');
        }
        $remainingPct = $chosen->dipPct === null ? null : 100 - $chosen->dipPct;
        $startKw = $chosen->startKva * (($remainingPct ?? 100) / 100) ** 2 * $in->motor->startPf;
        $recommended = $this->recommended($options, $in->limitPct);
        $findings = new Findings();
        $this->judgeSource($findings, $in, $chosen, $startKw);
        $this->judgeMotor($findings, $in, $lockedRotor, $chosen, $start(StartMethod::SoftStart));
        if ($recommended === null) {
            $findings->raise('no-method-helps');
        }

        return new CalculationResult([
            'lrc_kva' => $lockedRotor->kva,
            'basis' => $lockedRotor->basis,
            'run_kva' => $in->motor->runKva(),
            'method' => $chosen->method->value,
            'start_kva' => $chosen->startKva,
            'k_kva' => $kKva,
            'dip_pct' => $chosen->dipPct,
            'remaining_pct' => $remainingPct,
            'start_kw' => $startKw,
            'limit_pct' => $kKva === null ? null : $in->limitPct,
            'stop_pct' => $kKva === null ? null : $in->stopPct,
            'ok' => $chosen->isOk,
            'torque_pct' => $chosen->torquePct,
            'max_start_kva' => $kKva === null ? $in->source->surgeKva : $kKva * $in->limitPct / (100 - $in->limitPct),
            'options' => array_map(static fn(StartOption $option): array => $option->toArray(), $options),
            'recommended' => $recommended?->value,
        ], $findings->all(), $working->lines);
    }

    /**
     * The first that stays within what is aimed at, else the first that what is connected stands.
     *
     * @param list<StartOption> $options
     */
    private function recommended(array $options, float $limitPct): ?StartMethod
    {
        $possible = array_values(array_filter($options, static fn(StartOption $option): bool => $option->isOk));
        foreach ($possible as $option) {
            if ($option->staysWithin($limitPct)) {
                return $option->method;
            }
        }

        return ($possible[0] ?? null)?->method;
    }

    private function judgeSource(Findings $findings, MotorStartInput $in, StartOption $chosen, float $startKw): void
    {
        $dip = $chosen->dipPct;
        if ($dip === null) {
            if (! $chosen->isOk) {
                $findings->raise('inverter-surge', ['start_kva' => $chosen->startKva, 'surge_kva' => $in->source->surgeKva]);
            }

            return;
        }
        if (Tolerance::exceeds($dip, $in->stopPct)) {
            $findings->raise('dip-over-limit', ['dip' => $dip, 'limit_pct' => $in->stopPct]);
        } elseif (Tolerance::exceeds($dip, $in->limitPct)) {
            $findings->raise('dip-over-target', ['dip' => $dip, 'limit_pct' => $in->limitPct]);
        }
        if (Tolerance::exceeds($dip, self::SEVERE_PCT)) {
            $findings->raise('motor-start/dip-severe', ['dip' => $dip]);
        }
        if (Tolerance::exceeds($dip, self::CONTACTORS_DROP_PCT)) {
            $findings->raise('contactor-dropout', ['left_pct' => 100 - $dip]);
        } elseif (Tolerance::exceeds($dip, self::CONTACTORS_STAY_OPEN_PCT)) {
            $findings->raise('contactor-pull-in', ['left_pct' => 100 - $dip]);
        }
        $usableKw = $in->source->usableKw;
        $askedKw = $in->source->runningKw + $startKw;
        if ($usableKw !== null && Tolerance::exceeds($askedKw, self::ENGINE_SHARE * $usableKw)) {
            $findings->raise('engine-overload-start', ['asked_kw' => $askedKw, 'usable_kw' => $usableKw]);
        }
        if ($in->source->isGeneric()) {
            $findings->raise('generic-reactance');
        }
    }

    private function judgeMotor(
        Findings $findings,
        MotorStartInput $in,
        LockedRotor $lockedRotor,
        StartOption $chosen,
        StartOption $soft,
    ): void {
        if ($lockedRotor->basis === 'estimate') {
            $findings->raise('start-estimated');
        }
        if ($lockedRotor->basis === 'code' && $in->motor->code === 'V') {
            $findings->raise('code-open-ended');
        }
        if ($chosen->method === StartMethod::DirectOnLine && $chosen->isHelpedBy($soft, $in->limitPct)) {
            $findings->raise('soft-start-helps', ['start_kva' => $soft->startKva]);
        }
        $loadTorquePct = $in->motor->loadTorquePct;
        if ($loadTorquePct !== null && Tolerance::isBelow($chosen->torquePct, $loadTorquePct)) {
            $findings->raise('motor-start/torque-low', ['torque_pct' => $chosen->torquePct, 'load_torque' => $loadTorquePct]);
        }
    }
}
