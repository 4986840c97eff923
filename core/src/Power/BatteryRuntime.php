<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** How long a battery station lasts with these loads, with its charger left on, and with more batteries. Rule: loads §7. */
final readonly class BatteryRuntime
{
    /** Usual depth of discharge, percent. To be confirmed with the maker. */
    private const DEPTH_PCT = ['lfp' => 90.0, 'nmc' => 85.0, 'agm' => 50.0, 'lead' => 50.0];

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
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
            $one->text('id');

            return ['kw' => $one->n0('kw'), 'duty' => $one->pct('duty_pct', 100.0) / 100];
        }, isOptional: false);
        $charger = $in->maybeObject('charger');
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
        $hours = static fn(float $kwh, float $kw): ?float => Slack::exceeds($kw, 0) ? $kwh / $kw : null;
        $usableKwh = $usable($batteryKwh);
        $drainKw = $drain($c);
        $runtimeH = $hours($usableKwh, $drainKw);
        $withoutH = $hours($usableKwh, $drain(0.0));
        $peakKw = array_sum(array_column($loads, 'kw')) + $c;
        $working = new Working();
        $working->add('Usable', sprintf('%g kWh × %g × (%g − (100 − %g)) / 100', $batteryKwh, $capacity, $socPct, $dodPct), $usableKwh, 'kWh');
        $working->add('Drain', sprintf('(%.4g + %g) kW / %g + %g kW idle − %g kW × %g back', $loadKw, $c, $efficiency, $idleKw, $c, $chargerEfficiency), $drainKw, 'kW');
        $working->add('Runtime', sprintf('%.4g kWh / %.4g kW', $usableKwh, $drainKw), $runtimeH, 'h');
        $findings = new Findings();
        if ($c > 0) {
            $findings->warn('charger-loop', sprintf('The charger feeds the battery that feeds it: %.2f kW are lost', $c / $efficiency - $c * $chargerEfficiency), 'Switch the converter off on inverter power, or put it on the shed list.');
        }
        if ($continuousKw !== null && Slack::exceeds($peakKw, $continuousKw)) {
            $findings->stop('inverter-overload', sprintf('%.2f kW together, %g kW is what it gives', $peakKw, $continuousKw), 'It switches off when all of it runs. Leave something off, or parallel a second one.');
        }
        $isLead = $chemistry === 'agm' || $chemistry === 'lead';
        if ($isLead && Slack::exceeds($dodPct, 50)) {
            $findings->warn('dod-deep', sprintf('%g %% of a lead battery is taken out', $dodPct), 'Below half it ages fast. Plan with 50 %.');
        }
        if ($isLead && Slack::exceeds($drainKw / $batteryKwh, 0.2)) {
            $findings->warn('lead-high-rate', 'A lead battery is emptied in less than five hours', 'Its real capacity is smaller at this rate. Take the maker\'s figure for it.');
        }
        if (! Slack::exceeds($usableKwh, 0)) {
            $findings->stop('empty', 'Nothing can be taken out', 'The state of charge is at or below what must stay in. Charge it first.');
        }
        if (! Slack::exceeds($drainKw, 0)) {
            $findings->note('no-drain', 'Nothing draws on it', 'There is no runtime to speak of.');
        }

        return new Answer([
            'usable_kwh' => $usableKwh, 'load_kw' => $loadKw, 'drain_kw' => $drainKw, 'loop_loss_kw' => $c / $efficiency - $c * $chargerEfficiency,
            'runtime_h' => $runtimeH, 'runtime_without_charger_h' => $withoutH, 'lost_h' => $runtimeH === null || $withoutH === null ? null : $withoutH - $runtimeH, 'peak_kw' => $peakKw,
            'with_extra' => array_map(static fn(float $extra): array => ['extra_kwh' => $extra, 'runtime_h' => $hours($usable($batteryKwh + $extra), $drainKw)], $extras),
        ], $findings->all(), $working->lines);
    }
}
