<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** Which loads to leave off so that the rest never exceeds the source. Rule: docs/rules.md#shed-plan. */
final readonly class ShedPlan
{
    public function answer(ShedPlanInput $in): CalculationResult
    {
        $loads = $in->loads;
        $legs = array_map(static fn(ShedLoad $one): array => (new LegCurrents($in->system, [$one->load]))->arithmeticA, $loads);
        $forced = array_keys(array_filter($loads, static fn(ShedLoad $one): bool => $in->isInverter && $one->charges));
        $must = array_values(array_diff(array_keys(array_filter($loads, static fn(ShedLoad $one): bool => $one->mustRun)), $forced));
        $free = array_values(array_diff(array_keys($loads), $forced, $must));
        $needs = array_map(
            static fn(ShedLoad $one, array $amps): array => $in->legLimitsA === [] ? [$one->load->kw] : [$one->load->kw, ...$amps],
            $loads,
            $legs,
        );
        $room = [$in->usableKw - $in->baseKw, ...$in->legLimitsA];
        foreach ($must as $i) {
            foreach ($needs[$i] as $k => $need) {
                $room[$k] -= $need;
            }
        }
        $isFeasible = min($room) >= -BestSet::SLACK;
        $shed = $isFeasible
            ? (new BestSet(
                array_map(static fn(int $i): string => $loads[$i]->load->id, $free),
                array_map(static fn(int $i): int => $loads[$i]->weight, $free),
                array_map(static fn(int $i): array => $needs[$i], $free),
                array_values($room),
                array_map(static fn(int $i): string => $loads[$i]->load->id, $forced),
            ))->shed()
            : array_map(static fn(int $i): string => $loads[$i]->load->id, [...$free, ...$forced]);
        sort($shed, SORT_STRING);
        $carried = array_values(array_filter($loads, static fn(ShedLoad $one): bool => ! in_array($one->load->id, $shed, true)));
        $carriedKw = $in->baseKw + array_sum(array_map(static fn(ShedLoad $one): float => $one->load->kw, $carried));
        $headroomKw = $in->usableKw - $carriedKw;
        $findings = new Findings();
        if (! $isFeasible) {
            $findings->raise('infeasible', [], array_map(static fn(int $i): string => $loads[$i]->load->id, $must));
        }
        foreach ($forced as $i) {
            $findings->raise('charger-loop-shed', [], [$loads[$i]->load->id]);
            if ($loads[$i]->mustRun) {
                $findings->raise('must-run-charger', [], [$loads[$i]->load->id]);
            }
        }
        if ($shed === []) {
            $findings->raise('nothing-to-shed');
        }
        if ($isFeasible && Tolerance::isBelow($headroomKw, 0.05 * $in->usableKw)) {
            $findings->raise('tight', ['headroom_kw' => $headroomKw, 'usable_kw' => $in->usableKw]);
        }
        $working = new Working();
        $working->add('Carried', sprintf('%g kW base and %d loads', $in->baseKw, count($carried)), $carriedKw, 'kW');
        $working->add('Left', sprintf('%g kW usable − carried', $in->usableKw), $headroomKw, 'kW');

        return new CalculationResult([
            'feasible' => $isFeasible,
            'shed' => $shed,
            'carried' => array_map(static fn(ShedLoad $one): string => $one->load->id, $carried),
            'carried_kw' => $carriedKw,
            'carried_leg_a' => (new LegCurrents(
                $in->system,
                array_map(static fn(ShedLoad $one): LegLoad => $one->load, $carried),
            ))->arithmeticA,
            'carried_weight' => array_sum(array_map(static fn(ShedLoad $one): int => $one->weight, $carried)), 'headroom_kw' => $headroomKw,
        ], $findings->all(), $working->lines);
    }
}
