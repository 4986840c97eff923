<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Which loads to leave off so that the rest never exceeds the source. Rule: loads §6. */
final readonly class ShedPlan
{
    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $system = System::read($in);
        $usableKw = $in->n0('usable_kw');
        $baseKw = $in->n0('base_kw', 0.0);
        $legNodes = $in->maybeList('leg_limit_a', $system->legs(), $system->legs());
        $legLimits = $legNodes === null ? [] : array_map(static fn(Node $node): float => (float) $node->number(0, 1e9), $legNodes);
        $isInverter = $in->oneOf('source', ['generator', 'inverter'], 'generator') === 'inverter';
        $ways = $system->connections();
        /** @var list<array{load: LegLoad, weight: int, mustRun: bool, charges: bool}> $loads */
        $loads = $in->each('loads', 0, 60, static function (Fields $one) use ($ways): array {
            $load = new LegLoad($one->text('id'), $one->n0('kw'), pf: $one->number('pf', 0.05, 1, 1.0), connect: $one->oneOf('connect', $ways, $ways[0]));
            $weight = $one->maybeInt('weight', 1, 1000);

            return ['load' => $load, 'weight' => $weight ?? 100 - $one->int('priority', 1, 99, 50), 'mustRun' => $one->bool('must_run', false), 'charges' => $one->bool('charges_source_battery', false)] + ($weight === null ? [] : ['priority' => $one->int('priority', 1, 99, 50)]);
        }, isOptional: false);
        $in->close();

        $legs = array_map(static fn(array $one): array => (new LegCurrents($system, [$one['load']]))->arithmeticA, $loads);
        $forced = array_keys(array_filter($loads, static fn(array $one): bool => $isInverter && $one['charges']));
        $must = array_values(array_diff(array_keys(array_filter($loads, static fn(array $one): bool => $one['mustRun'])), $forced));
        $free = array_values(array_diff(array_keys($loads), $forced, $must));
        $needs = array_map(static fn(array $one, array $amps): array => $legLimits === [] ? [$one['load']->kw] : [$one['load']->kw, ...$amps], $loads, $legs);
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
            $findings->stop('infeasible', 'What must run is more than the source carries', 'Shedding cannot help: take a larger source, or fewer loads that must run.', array_map(static fn(int $i): string => $loads[$i]['load']->id, $must));
        }
        foreach ($forced as $i) {
            $findings->warn('charger-loop-shed', 'The charger of the source\'s own battery is left off', 'On inverter power it would feed itself: energy goes in a circle and half of it is lost.', [$loads[$i]['load']->id]);
            if ($loads[$i]['mustRun']) {
                $findings->stop('must-run-charger', 'A charger of the source\'s own battery is marked as one that must run', 'It cannot. Take the mark away, or charge from another source.', [$loads[$i]['load']->id]);
            }
        }
        if ($shed === []) {
            $findings->note('nothing-to-shed', 'Everything fits', 'The source carries all loads together.');
        }
        if ($isFeasible && Slack::isBelow($headroomKw, 0.05 * $usableKw)) {
            $findings->note('tight', sprintf('%.1f kW are left of %.1f kW', $headroomKw, $usableKw), 'Hardly anything may be added, and a motor start has little room.');
        }
        $working = new Working();
        $working->add('Carried', sprintf('%g kW base and %d loads', $baseKw, count($carried)), $carriedKw, 'kW');
        $working->add('Left', sprintf('%g kW usable − carried', $usableKw), $headroomKw, 'kW');

        return new Answer([
            'feasible' => $isFeasible, 'shed' => $shed, 'carried' => array_map(static fn(array $one): string => $one['load']->id, $carried), 'carried_kw' => $carriedKw,
            'carried_leg_a' => (new LegCurrents($system, array_map(static fn(array $one): LegLoad => $one['load'], $carried)))->arithmeticA,
            'carried_weight' => array_sum(array_map(static fn(array $one): int => $one['weight'], $carried)), 'headroom_kw' => $headroomKw,
        ], $findings->all(), $working->lines);
    }
}
