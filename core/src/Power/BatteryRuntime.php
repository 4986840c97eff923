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

    public function answer(BatteryRuntimeInput $in): CalculationResult
    {
        $dodPct = $in->depthPct;
        $usable = static fn(float $kwh): float => $kwh * $in->capacity * max(0.0, $in->startSocPct - (100 - $dodPct)) / 100;
        $loadKw = array_sum(array_map(static fn(StationLoad $one): float => $one->kw * $one->duty, $in->loads));
        $c = $in->chargerIsOn ? $in->chargerKw : 0.0;
        $drain = static fn(float $c): float => ($loadKw + $c) / $in->inverterEfficiency + $in->idleKw - $c * $in->chargerEfficiency;
        $hours = static fn(float $kwh, float $kw): ?float => Tolerance::exceeds($kw, 0) ? $kwh / $kw : null;
        $usableKwh = $usable($in->batteryKwh);
        $drainKw = $drain($c);
        $runtimeH = $hours($usableKwh, $drainKw);
        $withoutH = $hours($usableKwh, $drain(0.0));
        $peakKw = array_sum(array_map(static fn(StationLoad $one): float => $one->kw, $in->loads)) + $c;
        $working = new Working();
        $working->add(
            'Usable',
            sprintf('%g kWh × %g × (%g − (100 − %g)) / 100', $in->batteryKwh, $in->capacity, $in->startSocPct, $dodPct),
            $usableKwh,
            'kWh',
        );
        $working->add(
            'Drain',
            sprintf(
                '(%.4g + %g) kW / %g + %g kW idle − %g kW × %g back',
                $loadKw,
                $c,
                $in->inverterEfficiency,
                $in->idleKw,
                $c,
                $in->chargerEfficiency,
            ),
            $drainKw,
            'kW',
        );
        $working->add('Runtime', sprintf('%.4g kWh / %.4g kW', $usableKwh, $drainKw), $runtimeH, 'h');
        $findings = new Findings();
        if ($c > 0) {
            $findings->raise('charger-loop', ['lost_kw' => $c / $in->inverterEfficiency - $c * $in->chargerEfficiency]);
        }
        if ($in->continuousKw !== null && Tolerance::exceeds($peakKw, $in->continuousKw)) {
            $findings->raise('inverter-overload', ['asked_kw' => $peakKw, 'given_kw' => $in->continuousKw]);
        }
        $isLead = $in->chemistry === 'agm' || $in->chemistry === 'lead';
        if ($isLead && Tolerance::exceeds($dodPct, 50)) {
            $findings->raise('dod-deep', ['dod_pct' => $dodPct]);
        }
        if ($isLead && Tolerance::exceeds($drainKw / $in->batteryKwh, 0.2)) {
            $findings->raise('lead-high-rate');
        }
        if (! Tolerance::exceeds($usableKwh, 0)) {
            $findings->raise('empty');
        }
        if (! Tolerance::exceeds($drainKw, 0)) {
            $findings->raise('no-drain');
        }

        return new CalculationResult([
            'usable_kwh' => $usableKwh,
            'load_kw' => $loadKw,
            'drain_kw' => $drainKw,
            'loop_loss_kw' => $c / $in->inverterEfficiency - $c * $in->chargerEfficiency,
            'runtime_h' => $runtimeH,
            'runtime_without_charger_h' => $withoutH,
            'lost_h' => $runtimeH === null || $withoutH === null ? null : $withoutH - $runtimeH,
            'peak_kw' => $peakKw,
            'with_extra' => array_map(
                static fn(float $extra): array => [
                    'extra_kwh' => $extra, 'runtime_h' => $hours($usable($in->batteryKwh + $extra), $drainKw),
                ],
                $in->extraKwh,
            ),
        ], $findings->all(), $working->lines);
    }
}
