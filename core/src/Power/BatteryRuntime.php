<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;

/**
 * How long a battery station lasts with these loads, with its charger left on, and with more batteries. Rule:
 * docs/rules.md#battery-runtime.
 */
final readonly class BatteryRuntime
{
    /** Usual depth of discharge, percent. To be confirmed with the maker. */
    private const DEPTH_PCT = ['lfp' => 90.0, 'nmc' => 85.0, 'agm' => 50.0, 'lead' => 50.0];

    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only([
            'battery_kwh',
            'chemistry',
            'dod_pct',
            'start_soc_pct',
            'inverter_efficiency_pct',
            'idle_kw',
            'capacity_factor_pct',
            'continuous_kw',
            'loads',
            'charger',
            'extra_kwh',
        ]);
        $batteryKwh = $in->np('battery_kwh');
        $chemistry = $in->oneOf('chemistry', ['lfp', 'nmc', 'agm', 'lead'], 'lfp');
        $dodPct = $in->number('dod_pct', 1, 100, self::DEPTH_PCT[$chemistry]);
        $socPct = $in->number('start_soc_pct', 1, 100, 100.0);
        $efficiency = $in->number('inverter_efficiency_pct', 1, 100, 90.0) / 100;
        $idleKw = $in->n0('idle_kw', 0.03);
        $capacity = $in->number('capacity_factor_pct', 1, 120, 100.0) / 100;
        $continuousKw = $in->maybeNp('continuous_kw');
        /** @var list<array{kw: float, duty: float}> $loads */
        $loads = $in->each('loads', 0, 200, static function (Fields $one): array {
            $one->only(['id', 'kw', 'duty_pct'])->text('id');

            return ['kw' => $one->n0('kw'), 'duty' => $one->pct('duty_pct', 100.0) / 100];
        }, isOptional: false);
        $charger = $in->maybeObject('charger')?->only(['kw', 'efficiency_pct', 'on']);
        $chargerKw = $charger?->n0('kw') ?? 0.0;
        $chargerEfficiency = ($charger?->number('efficiency_pct', 1, 100, 85.0) ?? 85.0) / 100;
        $isOn = $charger?->bool('on', true) ?? false;
        $charger?->close();
        $extras = array_map(static fn(Node $node): float => (float) $node->number(0, 1e9), $in->maybeList('extra_kwh', 0, 20) ?? []);
        $in->close();

        $usable = static fn(float $kwh): float => $kwh * $capacity * max(0.0, $socPct - (100 - $dodPct)) / 100;
        $loadKw = array_sum(array_map(static fn(array $one): float => $one['kw'] * $one['duty'], $loads));
        $c = $isOn ? $chargerKw : 0.0;
        $drain = static fn(float $c): float => ($loadKw + $c) / $efficiency + $idleKw - $c * $chargerEfficiency;
        $hours = static fn(float $kwh, float $kw): ?float => Tolerance::exceeds($kw, 0) ? $kwh / $kw : null;
        $usableKwh = $usable($batteryKwh);
        $drainKw = $drain($c);
        $runtimeH = $hours($usableKwh, $drainKw);
        $withoutH = $hours($usableKwh, $drain(0.0));
        $peakKw = array_sum(array_column($loads, 'kw')) + $c;
        $working = new Working();
        $working->add(
            'Usable',
            sprintf('%g kWh × %g × (%g − (100 − %g)) / 100', $batteryKwh, $capacity, $socPct, $dodPct),
            $usableKwh,
            'kWh',
        );
        $working->add(
            'Drain',
            sprintf('(%.4g + %g) kW / %g + %g kW idle − %g kW × %g back', $loadKw, $c, $efficiency, $idleKw, $c, $chargerEfficiency),
            $drainKw,
            'kW',
        );
        $working->add('Runtime', sprintf('%.4g kWh / %.4g kW', $usableKwh, $drainKw), $runtimeH, 'h');
        $findings = new Findings();
        if ($c > 0) {
            $findings->raise('charger-loop', ['lost_kw' => $c / $efficiency - $c * $chargerEfficiency]);
        }
        if ($continuousKw !== null && Tolerance::exceeds($peakKw, $continuousKw)) {
            $findings->raise('inverter-overload', ['asked_kw' => $peakKw, 'given_kw' => $continuousKw]);
        }
        $isLead = $chemistry === 'agm' || $chemistry === 'lead';
        if ($isLead && Tolerance::exceeds($dodPct, 50)) {
            $findings->raise('dod-deep', ['dod_pct' => $dodPct]);
        }
        if ($isLead && Tolerance::exceeds($drainKw / $batteryKwh, 0.2)) {
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
            'loop_loss_kw' => $c / $efficiency - $c * $chargerEfficiency,
            'runtime_h' => $runtimeH,
            'runtime_without_charger_h' => $withoutH,
            'lost_h' => $runtimeH === null || $withoutH === null ? null : $withoutH - $runtimeH,
            'peak_kw' => $peakKw,
            'with_extra' => array_map(
                static fn(float $extra): array => ['extra_kwh' => $extra, 'runtime_h' => $hours($usable($batteryKwh + $extra), $drainKw)],
                $extras,
            ),
        ], $findings->all(), $working->lines);
    }
}
