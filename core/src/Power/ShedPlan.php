<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Plant\LegSystem;

/** Which loads to leave off so that the rest never exceeds the source. Rule: docs/rules.md#shed-plan. */
final readonly class ShedPlan
{
    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only(['system', 'v_ln_v', 'usable_kw', 'base_kw', 'leg_limit_a', 'source', 'loads']);
        $rules = new LaterRules();
        $system = LegSystem::read($in);
        $usableKw = $in->n0('usable_kw');
        $baseKw = $in->n0('base_kw', 0.0);
        $legNodes = $in->maybeList('leg_limit_a', $system->legs(), $system->legs());
        $legLimits = $legNodes === null ? [] : array_map(static fn(Node $node): float => (float) $node->number(0, 1e9), $legNodes);
        $isInverter = $in->oneOf('source', ['generator', 'inverter'], 'generator') === 'inverter';
        /** @var list<array{load: LegLoad, weight: int, mustRun: bool, charges: bool}> $loads */
        $loads = $in->each('loads', 0, 60, static function (Fields $one) use ($system, $rules): array {
            $one->only(['id', 'kw', 'pf', 'connect', 'weight', 'priority', 'must_run', 'charges_source_battery']);
            $load = new LegLoad(
                $one->text('id'),
                $one->n0('kw'),
                pf: $one->number('pf', 0.05, 1, 1.0),
                connect: LegLoad::connection($one, $system, $rules),
            );
            $weight = $one->maybeInt('weight', 1, 1000);

            return [
                'load' => $load,
                'weight' => $weight ?? 100 - $one->int('priority', 1, 99, 50),
                'mustRun' => $one->bool('must_run', false),
                'charges' => $one->bool('charges_source_battery', false),
            ] + ($weight === null ? [] : ['priority' => $one->int('priority', 1, 99, 50)]);
        }, isOptional: false);
        $rules->check();

        $legs = array_map(static fn(array $one): array => (new LegCurrents($system, [$one['load']]))->arithmeticA, $loads);
        $forced = array_keys(array_filter($loads, static fn(array $one): bool => $isInverter && $one['charges']));
        $must = array_values(array_diff(array_keys(array_filter($loads, static fn(array $one): bool => $one['mustRun'])), $forced));
        $free = array_values(array_diff(array_keys($loads), $forced, $must));
        $needs = array_map(
            static fn(array $one, array $amps): array => $legLimits === [] ? [$one['load']->kw] : [$one['load']->kw, ...$amps],
            $loads,
            $legs,
        );
        $room = [$usableKw - $baseKw, ...$legLimits];
        foreach ($must as $i) {
            foreach ($needs[$i] as $k => $need) {
                $room[$k] -= $need;
            }
        }
        $isFeasible = min($room) >= -BestSet::SLACK;
        $shed = $isFeasible
            ? (new BestSet(
                array_map(static fn(int $i): string => $loads[$i]['load']->id, $free),
                array_map(static fn(int $i): int => $loads[$i]['weight'], $free),
                array_map(static fn(int $i): array => $needs[$i], $free),
                array_values($room),
                array_map(static fn(int $i): string => $loads[$i]['load']->id, $forced),
            ))->shed()
            : array_map(static fn(int $i): string => $loads[$i]['load']->id, [...$free, ...$forced]);
        sort($shed, SORT_STRING);
        $carried = array_values(array_filter($loads, static fn(array $one): bool => ! in_array($one['load']->id, $shed, true)));
        $carriedKw = $baseKw + array_sum(array_map(static fn(array $one): float => $one['load']->kw, $carried));
        $headroomKw = $usableKw - $carriedKw;
        $findings = new Findings();
        if (! $isFeasible) {
            $findings->raise('infeasible', [], array_map(static fn(int $i): string => $loads[$i]['load']->id, $must));
        }
        foreach ($forced as $i) {
            $findings->raise('charger-loop-shed', [], [$loads[$i]['load']->id]);
            if ($loads[$i]['mustRun']) {
                $findings->raise('must-run-charger', [], [$loads[$i]['load']->id]);
            }
        }
        if ($shed === []) {
            $findings->raise('nothing-to-shed');
        }
        if ($isFeasible && Tolerance::isBelow($headroomKw, 0.05 * $usableKw)) {
            $findings->raise('tight', ['headroom_kw' => $headroomKw, 'usable_kw' => $usableKw]);
        }
        $working = new Working();
        $working->add('Carried', sprintf('%g kW base and %d loads', $baseKw, count($carried)), $carriedKw, 'kW');
        $working->add('Left', sprintf('%g kW usable − carried', $usableKw), $headroomKw, 'kW');

        return new CalculationResult([
            'feasible' => $isFeasible,
            'shed' => $shed,
            'carried' => array_map(static fn(array $one): string => $one['load']->id, $carried),
            'carried_kw' => $carriedKw,
            'carried_leg_a' => (new LegCurrents($system, array_map(static fn(array $one): LegLoad => $one['load'], $carried)))->arithmeticA,
            'carried_weight' => array_sum(array_map(static fn(array $one): int => $one['weight'], $carried)), 'headroom_kw' => $headroomKw,
        ], $findings->all(), $working->lines);
    }
}
