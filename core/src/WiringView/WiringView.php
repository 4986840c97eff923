<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/**
 * Every lug and bar of one enclosure, what sits on it, in which order to land it, and what is live there. It shows what is planned or
 * found and proves nothing: isolate, lock, prove dead, and prove identity by test, never by color. Rule: docs/rules.md#wiring-view.
 */
final readonly class WiringView
{
    public function of(WiringViewInput $in): WiringViewResult
    {
        $plan = new TerminalPlan($in->enclosure, $in->phases());
        $landings = new Landings($in, $plan);
        $terminals = $this->terminals($in, $plan, $landings);
        $live = new EnclosureLive($in);
        $staysLive = $live->withAllOpen();
        $shared = [];
        foreach ($terminals as $terminal) {
            if ($terminal->kind === 'lug' && count($terminal->conductors) > 1) {
                $shared[] = new SharedLug($terminal->id, $terminal->conductors, $terminal->legs, count($terminal->legs) === 1);
            }
        }
        $fitted = array_values(array_filter($in->jumpers, static fn(Jumper $one): bool => $one->fitted));

        return new WiringViewResult(
            $plan->controlRow + 1,
            max(count($in->phases()) + 2, count($in->controls)),
            $terminals,
            $landings->conductors,
            $shared,
            $in->bond,
            $fitted,
            $this->steps($in, $landings),
            $live->inPositions(),
            $live->withOpen(),
            (object) $staysLive,
            (new WiringRules($in, $plan, $landings))->judge($staysLive),
            [sprintf(
                '%d conductors on %d terminals, %d control wires',
                count($in->conductors),
                count($landings->onTerminal),
                count($in->controlWires),
            )],
        );
    }

    /** @return list<ViewedTerminal> */
    private function terminals(WiringViewInput $in, TerminalPlan $plan, Landings $landings): array
    {
        $legs = [...$in->phases(), 'N', 'G'];
        $terminals = [];
        foreach ($plan->terminals as $id => $terminal) {
            $on = array_map(static fn(int $i): LandedConductor => $landings->conductors[$i], $landings->onTerminal[$id] ?? []);
            if ($terminal->isOfBreaker && $on === []) {
                continue;
            }
            $present = array_map(static fn(LandedConductor $one): string => $one->leg, $on);
            $terminals[] = new ViewedTerminal(
                $id,
                $terminal->kind,
                $terminal->leg,
                $terminal->port,
                $terminal->row,
                $terminal->column,
                array_map(static fn(LandedConductor $one): string => $one->id, $on),
                array_values(array_intersect($legs, $present)),
                $in->lugs[$id]->wiresMax ?? null,
            );
        }
        foreach ($in->controls as $place => $control) {
            $wires = array_filter($in->controlWires, static fn(ControlWire $wire): bool => $wire->terminal === $control->id);
            $ids = array_values(array_map(static fn(ControlWire $wire): string => $wire->id, $wires));
            $terminals[] = new ViewedTerminal($control->id, 'control', null, null, $plan->controlRow, $place + 1, $ids, [], null);
        }

        return $terminals;
    }

    /** @return list<LandingStep> */
    private function steps(WiringViewInput $in, Landings $landings): array
    {
        $conductors = $landings->conductors;
        usort($conductors, static fn(LandedConductor $a, LandedConductor $b): int => $a->order <=> $b->order);
        $steps = [];
        foreach ($conductors as $one) {
            $steps[] = new LandingStep($one->order, 'conductor', $one->id, $one->terminal);
        }
        foreach ($in->controls as $control) {
            foreach ($in->controlWires as $wire) {
                if ($wire->terminal === $control->id) {
                    $steps[] = new LandingStep(count($steps) + 1, 'control_wire', $wire->id, $wire->terminal);
                }
            }
        }

        return $steps;
    }
}
