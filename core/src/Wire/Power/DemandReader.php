<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\Demand\CalculatedInput;
use Escapement\Core\Power\Demand\Demand;
use Escapement\Core\Power\Demand\DemandInput;
use Escapement\Core\Power\Demand\DemandMethod;
use Escapement\Core\Power\Demand\Hvac;
use Escapement\Core\Power\Demand\MeasuredInput;
use Escapement\Core\Power\Demand\VehicleCharger;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `demand` on the wire. Rule: docs/rules.md#demand. */
final readonly class DemandReader implements InputReader
{
    private const MOST = 1e9;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new Demand())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): DemandInput
    {
        $in = (new Fields($node))->only(['system', 'v_ln_v', 'calculated', 'measured', 'schedule', 'prefer', 'imbalance_limit_pct']);
        $rules = new LaterRules();
        $system = LegSystem::read($in);
        $calculated = ($f = $in->maybeObject('calculated')) === null ? null : $this->calculated($f);
        $measured = ($f = $in->maybeObject('measured')) === null ? null : $this->measured($f, $rules);
        $schedule = ($f = $in->maybeObject('schedule')) === null ? null : $this->schedule($f, $system, $rules);
        $prefer = $in->oneOf('prefer', ['largest', 'calculated', 'measured', 'schedule'], 'largest');
        $limitPct = $in->n0('imbalance_limit_pct', 20.0);
        if ($calculated === null && $measured === null && $schedule === null) {
            throw $node->bad('One of calculated, measured and schedule is needed.');
        }
        $rules->check();
        if ($prefer !== 'largest' && ['calculated' => $calculated, 'measured' => $measured, 'schedule' => $schedule][$prefer] === null) {
            throw $in->at('prefer')->bad("There is no section \"$prefer\" here.");
        }

        return new DemandInput($system, $calculated, $measured, $schedule, $prefer, $limitPct);
    }

    private function calculated(Fields $in): CalculatedInput
    {
        $in->only([
            'rule',
            'floor_area_ft2',
            'va_per_ft2',
            'small_appliance_circuits',
            'laundry_circuits',
            'va_per_circuit',
            'appliances',
            'ranges',
            'dryers',
            'ev',
            'ev_at', 'largest_motor_kva', 'rest_pct', 'hvac',
        ]);
        $numbers = static fn(string $key, int $most): array => array_map(
            static fn(Node $one): float => (float) $one->number(0, self::MOST),
            $in->maybeList($key, 0, $most) ?? [],
        );

        return new CalculatedInput(
            DemandMethod::from($in->oneOf('rule', ['ten', 'eight', 'standard'], 'ten')),
            $in->n0('floor_area_ft2', 0.0),
            $in->n0('va_per_ft2', 3.0),
            $in->int('small_appliance_circuits', 0, 50, 2) + $in->int('laundry_circuits', 0, 50, 1),
            $in->n0('va_per_circuit', 1500.0),
            $in->each('appliances', 0, 200, static function (Fields $one): float {
                $one->only(['id', 'kva'])->text('id');

                return $one->n0('kva');
            }),
            $numbers('ranges', 5),
            $numbers('dryers', 4),
            $in->each('ev', 0, 20, static fn(Fields $one): VehicleCharger => new VehicleCharger(
                $one->only(['id', 'kva', 'limit_kva'])->text('id'),
                $one->np('kva'),
                $one->maybeN0('limit_kva'),
            )),
            $in->oneOf('ev_at', ['full', 'rest'], 'full') === 'rest',
            $in->n0('largest_motor_kva', 0.0),
            $in->pct('rest_pct', 40.0),
            ($hvac = $in->maybeObject('hvac')) === null ? new Hvac() : $this->hvac($hvac),
        );
    }

    private function hvac(Fields $in): Hvac
    {
        $in->only([
            'cooling_kva',
            'heat_pump_kva',
            'supplemental_kva',
            'heating_kva',
            'thermal_storage_kva',
            'heating_units',
            'supplemental_interlocked',
            'hvac_new',
        ]);

        return new Hvac(
            $in->n0('cooling_kva', 0.0),
            $in->n0('heat_pump_kva', 0.0),
            $in->n0('supplemental_kva', 0.0),
            $in->n0('heating_kva', 0.0),
            $in->n0('thermal_storage_kva', 0.0),
            $in->int('heating_units', 1, 100, 1),
            $in->bool('supplemental_interlocked', false),
            $in->bool('hvac_new', true),
        );
    }

    private function measured(Fields $in, LaterRules $rules): MeasuredInput
    {
        $in->only(['peak_kw', 'peak_a', 'pf', 'factor', 'period_days', 'interval_min', 'includes_hvac', 'new_kva']);
        $measured = new MeasuredInput(
            $in->maybeN0('peak_kw'),
            $in->maybeN0('peak_a'),
            $in->number('pf', 0.05, 1, 1.0),
            $in->number('factor', 1, 2, 1.25),
            $in->int('period_days', 1, 3660, 365),
            $in->np('interval_min', 15.0),
            $in->bool('includes_hvac', true),
            $in->n0('new_kva', 0.0),
        );
        $rules->add(static function () use ($measured, $in): void {
            if (($measured->peakKw === null) === ($measured->peakA === null)) {
                throw $in->node->bad('Exactly one of peak_kw and peak_a is needed.');
            }
        });

        return $measured;
    }

    /** @return list<LegLoad> */
    private function schedule(Fields $in, LegSystem $system, LaterRules $rules): array
    {
        return $in->only(['loads'])->each('loads', 1, 500, static function (Fields $one) use ($system, $rules): LegLoad {
            $load = LegLoad::read($one->only([...LegLoad::KEYS, 'demand_pct']), $system, $rules);

            return $load->scaled($one->number('demand_pct', 0, 200, 100.0) / 100);
        }, isOptional: false);
    }
}
