<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Bench\BenchGenerator;
use Escapement\Core\Bench\BenchInput;
use Escapement\Core\Bench\BenchLoad;
use Escapement\Core\Bench\BenchPlay;
use Escapement\Core\Bench\BenchScript;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\PlantReader;
use Escapement\Core\Wire\SettingsReader;

/** `bench_play` on the wire. Rule: docs/rules.md#bench-play. */
final readonly class BenchReader implements InputReader
{
    private const KEYS = ['system', 'settings', 'loads', 'bench', 'inputs', 'sample_at_ms', 'until_ms'];
    private const GENERATOR = [
        'rated_kw', 'x_pu', 'v_tau_ms', 'hz_tau_ms', 'regulation_pct', 'droop_pct', 'hz_dip_pct', 'rated_kva', 'fuel', 'tank_gal',
        'fuel_pct', 'starve_ms', 'battery_nominal_v', 'soc', 'ambient_c', 'run_h', 'starts',
    ];
    private const MOST_INPUTS = 5000;
    private const MOST_SAMPLES = 2000;
    private const MOST_ELEMENTS = 32;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new BenchPlay($this->input($node)))->play()->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): BenchInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $rules = new LaterRules();
        $plants = new PlantReader();
        $plant = $plants->plant($in->at('system'));
        $settings = (new SettingsReader())->settings($in->at('settings'), $plant);
        $loads = $in->has('loads') ? $plants->loads($in->at('loads')) : [];
        $rules->add(static function () use ($in, $plant): void {
            if ($plant->normal->phases !== $plant->emergency->phases) {
                throw $in->at('system')->at('sources', null)->at('emergency', null)->at('phases', null)
                    ->bad('Both sources of a bench have the same phases.');
            }
        });
        $bench = $in->object('bench')->only(['generator', 'electrical', 'bank']);
        $generator = $this->generator($bench, $plant);
        $electrical = $this->electrical($bench, $plant, $loads, $rules);
        [$elementsKw, $isAtGenerator] = $this->bank($bench, $plant);
        $inputs = $in->list('inputs', 0, self::MOST_INPUTS);
        $acts = $this->acts($inputs, new BenchInputReader($plant, $loads, count($elementsKw)));
        $samples = $this->samples($in);
        $untilMs = $in->at('until_ms')->ms();
        $rules->add(static function () use ($samples, $untilMs): void {
            foreach ($samples as [$sample, $atMs]) {
                if ($atMs > $untilMs) {
                    throw $sample->bad('A sample lies behind the end.');
                }
            }
        });
        $rules->check();
        $script = new BenchScript($plant, $loads, $untilMs);
        foreach ($acts as $act) {
            $script->add(...$act);
        }

        return new BenchInput(
            $plant,
            $settings,
            $loads,
            $generator,
            $electrical,
            $elementsKw,
            $isAtGenerator,
            $script,
            array_column($samples, 1),
            $untilMs,
        );
    }

    private function generator(Fields $bench, Plant $plant): ?BenchGenerator
    {
        if (! $plant->kind->hasEngine()) {
            return $bench->has('generator') ? throw $bench->at('generator')->bad('Two standing supplies have no generator.') : null;
        }
        $in = $bench->object('generator')->only(self::GENERATOR);
        $ratedKw = $in->np('rated_kw');
        $read = [
            $in->number('x_pu', 0.02, 1, 0.25), $in->np('v_tau_ms', 300.0), $in->np('hz_tau_ms', 500.0),
            $in->number('regulation_pct', 0, 20, 0.0), $in->number('droop_pct', 0, 20, 0.0), $in->number('hz_dip_pct', 0, 50, 8.0),
            $in->np('rated_kva', $ratedKw),
        ];
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        if ($fuel === 'natural_gas' && $in->has('tank_gal')) {
            throw $in->at('tank_gal')->bad('Natural gas comes by a pipe: there is no tank.');
        }

        return new BenchGenerator(
            $ratedKw,
            ...[...$read, $fuel, $in->maybeNp('tank_gal'), $in->pct('fuel_pct', 80.0), $in->int('starve_ms', 1000, 60_000, 3000)],
            nominalV: $this->batteryV($in),
            soc: $in->number('soc', 0, 1, 1.0),
            ambientC: $in->number('ambient_c', -40, 60, 20.0),
            runH: $in->n0('run_h', 0.0),
            starts: $in->int('starts', 0, 1_000_000, 0),
        );
    }

    private function batteryV(Fields $in): int
    {
        $v = $in->int('battery_nominal_v', 12, 24, 12);

        return $v === 12 || $v === 24 ? $v : throw $in->at('battery_nominal_v')->bad('A start battery has 12 or 24 V.');
    }

    /**
     * @param list<Load> $loads
     *
     * @return array<string, BenchLoad> of every load
     */
    private function electrical(Fields $bench, Plant $plant, array $loads, LaterRules $rules): array
    {
        $legs = LegSystem::of(['single', 'split', 'three'][$plant->normal->phases - 1], (float) $plant->normal->nominalV);
        $known = [];
        foreach ($loads as $load) {
            $known[$load->id] = null;
        }
        foreach ($bench->maybeList('electrical', 0, PHP_INT_MAX) ?? [] as $node) {
            $one = (new Fields($node))->only(['load', 'connect', 'pf', 'start_kva']);
            $id = $one->text('load');
            if (! array_key_exists($id, $known) || $known[$id] !== null) {
                throw $one->at('load')->bad('Name each load of the list once.');
            }
            $connect = LegLoad::connection($one, $legs, $rules);
            $known[$id] = new BenchLoad($id, $connect, $one->number('pf', 0.05, 1, 1.0), $one->n0('start_kva', 0.0));
        }
        $electrical = [];
        foreach ($known as $id => $load) {
            $electrical[(string) $id] = $load ?? new BenchLoad((string) $id, $legs->connections()[0], 1.0, 0.0);
        }

        return $electrical;
    }

    /** @return array{list<float>, bool} kW of the elements, and whether they hang at the generator */
    private function bank(Fields $bench, Plant $plant): array
    {
        $in = $bench->maybeObject('bank')?->only(['elements_kw', 'at']);
        if ($in === null) {
            return [[], false];
        }
        $elements = array_map(
            static fn(Node $one): float => (float) $one->number(0.001, 1e5),
            $in->list('elements_kw', 1, self::MOST_ELEMENTS),
        );
        $isAtGenerator = $in->oneOf('at', ['generator', 'bus'], 'bus') === 'generator';
        if ($isAtGenerator && $plant->kind === PlantKind::TwoSource) {
            throw $in->at('at')->bad('Two standing supplies have no generator.');
        }

        return [$elements, $isAtGenerator];
    }

    /**
     * @param list<Node> $inputs
     *
     * @return list<array{int, string, array<string, mixed>, ?ScenarioEvent, array<string, mixed>}>
     */
    private function acts(array $inputs, BenchInputReader $reader): array
    {
        $acts = [];
        $lastMs = 0;
        foreach ($inputs as $node) {
            $act = $reader->read($node);
            if ($act[0] < $lastMs) {
                throw $node->at('at_ms', null)->bad("Times must not go back: $act[0] ms comes after $lastMs ms.");
            }
            $lastMs = $act[0];
            $acts[] = $act;
        }

        return $acts;
    }

    /** @return list<array{Node, int}> rising */
    private function samples(Fields $in): array
    {
        $samples = [];
        $lastMs = -1;
        foreach ($in->list('sample_at_ms', 0, self::MOST_SAMPLES) as $node) {
            $atMs = $node->ms();
            if ($atMs <= $lastMs) {
                throw $node->bad('Samples come one after the other.');
            }
            $lastMs = $atMs;
            $samples[] = [$node, $atMs];
        }

        return $samples;
    }
}
