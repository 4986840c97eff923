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
    private const TIGHT = 0.05;

    public function answer(ShedPlanInput $in): CalculationResult
    {
        $forced = $in->chargers();
        $must = array_values(array_diff($in->mustRun(), $forced));
        $free = array_values(array_diff(array_keys($in->loads), $forced, $must));
        $room = $this->room($in, $must);
        $isFeasible = min($room) >= -BestSet::SLACK;
        $shed = $isFeasible ? $this->leastToShed($in, $free, $forced, $room) : $in->names([...$free, ...$forced]);
        sort($shed, SORT_STRING);
        $carried = array_values(array_filter($in->loads, static fn(ShedLoad $one): bool => ! in_array($one->load->id, $shed, true)));
        $carriedKw = $in->baseKw + array_sum(array_map(static fn(ShedLoad $one): float => $one->load->kw, $carried));
        $headroomKw = $in->usableKw - $carriedKw;
        $findings = $this->judge($in, $forced, $isFeasible ? null : $must, $shed === []);
        if ($isFeasible && Tolerance::isBelow($headroomKw, self::TIGHT * $in->usableKw)) {
            $findings->raise('tight', ['headroom_kw' => $headroomKw, 'usable_kw' => $in->usableKw]);
        }
        $working = new Working();
        $working->add('Carried', sprintf('%g kW base and %d loads', $in->baseKw, count($carried)), $carriedKw, 'kW');
        $working->add('Left', sprintf('%g kW usable − carried', $in->usableKw), $headroomKw, 'kW');
        $legLoads = array_map(static fn(ShedLoad $one): LegLoad => $one->load, $carried);

        return new CalculationResult([
            'feasible' => $isFeasible,
            'shed' => $shed,
            'carried' => array_map(static fn(LegLoad $one): string => $one->id, $legLoads),
            'carried_kw' => $carriedKw,
            'carried_leg_a' => (new LegCurrents($in->system, $legLoads))->arithmeticA,
            'carried_weight' => array_sum(array_map(static fn(ShedLoad $one): int => $one->weight, $carried)),
            'headroom_kw' => $headroomKw,
        ], $findings->all(), $working->lines);
    }

    /**
     * What is left of the source and of each leg once the loads run that must.
     *
     * @param list<int> $must
     *
     * @return non-empty-list<float>
     */
    private function room(ShedPlanInput $in, array $must): array
    {
        $room = [$in->usableKw - $in->baseKw, ...$in->legLimitsA];
        foreach ($must as $i) {
            foreach ($in->needs($i) as $k => $need) {
                $room[$k] -= $need;
            }
        }

        return array_values($room);
    }

    /**
     * @param list<int>             $free
     * @param list<int>             $forced
     * @param non-empty-list<float> $room
     *
     * @return list<string>
     */
    private function leastToShed(ShedPlanInput $in, array $free, array $forced, array $room): array
    {
        return (new BestSet(
            $in->names($free),
            array_map(static fn(int $i): int => $in->loads[$i]->weight, $free),
            array_map($in->needs(...), $free),
            $room,
            $in->names($forced),
        ))->shed();
    }

    /**
     * @param list<int>      $forced chargers of the source's own battery
     * @param null|list<int> $must   that the source cannot carry; null: it can
     */
    private function judge(ShedPlanInput $in, array $forced, ?array $must, bool $isNothingShed): Findings
    {
        $findings = new Findings();
        if ($must !== null) {
            $findings->raise('infeasible', [], $in->names($must));
        }
        foreach ($forced as $i) {
            $findings->raise('charger-loop-shed', [], $in->names([$i]));
            if ($in->loads[$i]->mustRun) {
                $findings->raise('must-run-charger', [], $in->names([$i]));
            }
        }
        if ($isNothingShed) {
            $findings->raise('nothing-to-shed');
        }

        return $findings;
    }
}
