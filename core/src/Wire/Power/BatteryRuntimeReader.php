<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\BatteryRuntime;
use Escapement\Core\Power\BatteryRuntimeInput;
use Escapement\Core\Power\StationLoad;
use Escapement\Core\Wire\InputReader;

/** `battery_runtime` on the wire. Rule: docs/rules.md#battery-runtime. */
final readonly class BatteryRuntimeReader implements InputReader
{
    private const KEYS = [
        'battery_kwh', 'chemistry', 'dod_pct', 'start_soc_pct', 'inverter_efficiency_pct', 'idle_kw', 'capacity_factor_pct',
        'continuous_kw', 'loads', 'charger', 'extra_kwh',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new BatteryRuntime())->answer($this->input($node))->toArray();
    }

    public function input(Node $node): BatteryRuntimeInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $batteryKwh = $in->np('battery_kwh');
        $chemistry = $in->oneOf('chemistry', ['lfp', 'nmc', 'agm', 'lead'], 'lfp');
        $depthPct = $in->maybeNumber('dod_pct', 1, 100);
        $socPct = $in->number('start_soc_pct', 1, 100, 100.0);
        $efficiency = $in->number('inverter_efficiency_pct', 1, 100, 90.0) / 100;
        $idleKw = $in->n0('idle_kw', 0.03);
        $capacity = $in->number('capacity_factor_pct', 1, 120, 100.0) / 100;
        $continuousKw = $in->maybeNp('continuous_kw');
        $loads = $in->each('loads', 0, 200, static function (Fields $one): StationLoad {
            $one->only(['id', 'kw', 'duty_pct'])->text('id');

            return new StationLoad($one->n0('kw'), $one->pct('duty_pct', 100.0) / 100);
        }, isOptional: false);
        $charger = $in->maybeObject('charger')?->only(['kw', 'efficiency_pct', 'on']);
        $chargerKw = $charger?->n0('kw') ?? 0.0;
        $chargerEfficiency = ($charger?->number('efficiency_pct', 1, 100, 85.0) ?? 85.0) / 100;
        $isOn = $charger?->bool('on', true) ?? false;
        $charger?->close();
        $extras = array_map(static fn(Node $one): float => (float) $one->number(0, 1e9), $in->maybeList('extra_kwh', 0, 20) ?? []);
        $in->close();

        return new BatteryRuntimeInput(
            $batteryKwh,
            $chemistry,
            $loads,
            $depthPct,
            $socPct,
            $efficiency,
            $idleKw,
            $capacity,
            $continuousKw,
            $chargerKw,
            $chargerEfficiency,
            $isOn,
            $extras,
        );
    }
}
