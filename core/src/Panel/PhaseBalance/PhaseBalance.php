<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Topology\PlacedFindings;

/** Which single-phase ways to move to another phase, and how few suffice. Rule: docs/rules.md#phase-balance. */
final readonly class PhaseBalance
{
    private const MOST_EXACT = 18;

    public function plan(BalanceInput $in): BalanceResult
    {
        $movable = array_values(array_filter($in->ways, $in->isMovable(...)));
        $fixed = [0, 0, 0];
        $present = [0, 0, 0];
        foreach ($in->ways as $way) {
            if ($in->counts($way)) {
                $present = GreedyBalance::plus($present, $way->planA(), $way->connect);
                $fixed = $in->isMovable($way) ? $fixed : GreedyBalance::plus($fixed, $way->planA(), $way->connect);
            }
        }
        $isExact = count($movable) <= self::MOST_EXACT;
        $search = $isExact ? new ExactBalance($fixed, $movable) : new GreedyBalance($fixed, $movable);
        $optimum = $this->planned($in, $movable, $search->optimum());
        $fewest = $search->fewest($in->targetPct);
        $fewest = $fewest === null ? null : $this->planned($in, $movable, $fewest);
        $spread = max($present) - min($present);
        $now = LegAnalysis::of($in->ways);
        $onGenerator = $this->onGenerator($in, $in->ways);
        $working = new Working();
        $working->add('Spread now', implode(', ', $present) . ' A on the legs', $spread, 'A');
        $working->add('Spread at best', implode(', ', $optimum->planLegsA) . ' A on the legs', $optimum->spreadA, 'A');

        return new BalanceResult(
            [
                'plan_legs_a' => $present, 'spread_a' => $spread, 'plan_unbalance_pct' => Assignment::unbalanceOf($present),
                'utility' => $now, 'generator' => $onGenerator,
            ],
            array_map(static fn(PanelWay $way): string => $way->id, $movable),
            $isExact,
            $optimum,
            $fewest,
            $search instanceof ExactBalance ? $search->frontier() : [],
            $this->findings($in, $now, $onGenerator, $spread, $optimum, $fewest, $isExact)->sorted(),
            $working->lines,
        );
    }

    /** @param list<PanelWay> $movable */
    private function planned(BalanceInput $in, array $movable, Assignment $assignment): BalancePlan
    {
        $places = array_combine(array_map(static fn(PanelWay $way): string => $way->id, $movable), $assignment->places);
        $moves = [];
        foreach ($movable as $way) {
            if ($places[$way->id] !== $way->connect) {
                $moves[] = ['id' => $way->id, 'from' => $way->connect, 'to' => $places[$way->id]];
            }
        }
        $after = array_map(static fn(PanelWay $way): PanelWay => $way->on($places[$way->id] ?? $way->connect), $in->ways);

        return new BalancePlan(
            $moves,
            $assignment->legs,
            $assignment->spread(),
            $assignment->unbalancePct(),
            LegAnalysis::of($after),
            $this->onGenerator($in, $after),
        );
    }

    /** @param list<PanelWay> $ways */
    private function onGenerator(BalanceInput $in, array $ways): ?LegAnalysis
    {
        return $in->generator === null ? null
            : LegAnalysis::of(array_values(array_filter($ways, static fn(PanelWay $way): bool => ! $way->isShed)));
    }

    private function findings(
        BalanceInput $in,
        LegAnalysis $utility,
        ?LegAnalysis $generator,
        int $spread,
        BalancePlan $optimum,
        ?BalancePlan $fewest,
        bool $isExact,
    ): PlacedFindings {
        $over = RelativeTolerance::isOver(...);
        $mostNeutral = max($utility->neutralA, $generator->neutralA ?? 0.0);
        $rated = $in->generator;
        $found = [
            'phase-overload' => $in->mainA !== null && $over($utility->mostA(), $in->mainA),
            'neutral-overload' => $in->neutralRatedA !== null && $over($mostNeutral, $in->neutralRatedA),
            'unbalance-high' => $over($utility->unbalancePct, $in->targetPct),
            'neutral-above-phase' => $utility->neutralA > 1e-9 && $over($utility->neutralA, $utility->mostA()),
            'check-shared-neutral' => $optimum->moves !== [] || ($fewest->moves ?? []) !== [],
            'plan-available' => $optimum->spreadA < $spread,
            'target-not-reachable' => $fewest === null,
            'not-exact' => ! $isExact,
        ];
        if ($generator !== null && $rated !== null) {
            $found += [
                'generator-phase-overload' => $over($generator->mostA(), $rated->ratedA),
                'negative-sequence' => $over(100 * $generator->i2A / $rated->ratedA, $rated->i2LimitPct),
                'generator-unbalance-high' => $over($generator->unbalancePct, $in->targetPct),
                'generator-single-phase-load' => $over(100 * $generator->spreadA() / $rated->ratedA, $rated->spreadLimitPct),
            ];
        }
        $findings = new PlacedFindings();
        foreach (array_keys(array_filter($found)) as $id) {
            $findings->raise("phase-balance/$id");
        }

        return $findings;
    }
}
