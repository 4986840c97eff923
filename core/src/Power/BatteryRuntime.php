<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/**
 * How long a battery station lasts with these loads, with its charger left on, and with more batteries. Rule:
 * docs/rules.md#battery-runtime.
 */
final readonly class BatteryRuntime
{
    /** Usual depth of discharge, percent. To be confirmed with the maker. */
    public const DEPTH_PCT = ['lfp' => 90.0, 'nmc' => 85.0, 'agm' => 50.0, 'lead' => 50.0];

    /** A lead battery that is emptied faster than this loses capacity, kW per kWh. */
    private const LEAD_RATE = 0.2;
    private const LEAD_DEPTH_PCT = 50;

    public function answer(BatteryRuntimeInput $in): CalculationResult
    {
        $usableKwh = $in->usableKwh();
        $drainKw = $in->drainKw($in->loopKw());
        $runtimeH = self::hours($usableKwh, $drainKw);
        $withoutH = self::hours($usableKwh, $in->drainKw(0.0));

        return new CalculationResult([
            'usable_kwh' => $usableKwh,
            'load_kw' => $in->loadKw(),
            'drain_kw' => $drainKw,
            'loop_loss_kw' => $in->loopLossKw(),
            'runtime_h' => $runtimeH,
            'runtime_without_charger_h' => $withoutH,
            'lost_h' => $runtimeH === null || $withoutH === null ? null : $withoutH - $runtimeH,
            'peak_kw' => $in->peakKw(),
            'with_extra' => array_map(
                static fn(float $extra): array => ['extra_kwh' => $extra, 'runtime_h' => self::hours($in->usableKwh($extra), $drainKw)],
                $in->extraKwh,
            ),
        ], $this->judge($in, $usableKwh, $drainKw)->all(), $this->working($in, $usableKwh, $drainKw, $runtimeH)->lines);
    }

    /** Null while nothing is drawn. */
    private static function hours(float $kwh, float $kw): ?float
    {
        return Tolerance::exceeds($kw, 0) ? $kwh / $kw : null;
    }

    private function working(BatteryRuntimeInput $in, float $usableKwh, float $drainKw, ?float $runtimeH): Working
    {
        $working = new Working();
        $usable = sprintf('%g kWh × %g × (%g − (100 − %g)) / 100', $in->batteryKwh, $in->capacity, $in->startSocPct, $in->depthPct);
        $working->add('Usable', $usable, $usableKwh, 'kWh');
        $working->add(
            'Drain',
            sprintf(
                '(%.4g + %g) kW / %g + %g kW idle − %g kW × %g back',
                $in->loadKw(),
                $in->loopKw(),
                $in->inverterEfficiency,
                $in->idleKw,
                $in->loopKw(),
                $in->chargerEfficiency,
            ),
            $drainKw,
            'kW',
        );
        $working->add('Runtime', sprintf('%.4g kWh / %.4g kW', $usableKwh, $drainKw), $runtimeH, 'h');

        return $working;
    }

    private function judge(BatteryRuntimeInput $in, float $usableKwh, float $drainKw): Findings
    {
        $findings = new Findings();
        if ($in->loopKw() > 0) {
            $findings->raise('charger-loop', ['lost_kw' => $in->loopLossKw()]);
        }
        if ($in->continuousKw !== null && Tolerance::exceeds($in->peakKw(), $in->continuousKw)) {
            $findings->raise('inverter-overload', ['asked_kw' => $in->peakKw(), 'given_kw' => $in->continuousKw]);
        }
        $isLead = $in->chemistry === 'agm' || $in->chemistry === 'lead';
        if ($isLead && Tolerance::exceeds($in->depthPct, self::LEAD_DEPTH_PCT)) {
            $findings->raise('dod-deep', ['dod_pct' => $in->depthPct]);
        }
        if ($isLead && Tolerance::exceeds($drainKw / $in->batteryKwh, self::LEAD_RATE)) {
            $findings->raise('lead-high-rate');
        }
        if (! Tolerance::exceeds($usableKwh, 0)) {
            $findings->raise('empty');
        }
        if (! Tolerance::exceeds($drainKw, 0)) {
            $findings->raise('no-drain');
        }

        return $findings;
    }
}
