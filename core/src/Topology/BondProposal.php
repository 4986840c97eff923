<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * The least change that leaves exactly one bond in every position, keeping the switch as it is where that is possible.
 * Rule: docs/rules.md#bonding.
 */
final class BondProposal
{
    /** @var list<array<string, string>> */
    private array $actions = [];
    /** @var array<string, true> references that nothing can be done about */
    private array $unresolvable = [];

    /** @param list<string> $groundless */
    public function __construct(
        private readonly BondModel $given,
        private readonly BondModel $model,
        private readonly array $groundless,
        private readonly PlacedFindings $findings,
    ) {}

    /** @return array<string, mixed> bonds_wanted, electrode_points, panel_work, actions, after */
    public function work(): array
    {
        foreach ($this->given->gaps() as $place) {
            $this->actions[] = ['action' => 'add-neutral', 'at' => $place];
        }
        $plan = $this->switchNeutrals();
        $this->moveBonds($plan);
        foreach ($this->groundless as $place) {
            $this->actions[] = ['action' => 'add-equipment-ground', 'at' => $place];
            [$id, $port] = explode('.', $place) + [1 => 'normal'];
            if ($port === 'emergency') {
                $this->model->element($id)->hasEmergencyGround = true;
            } else {
                $this->model->element($id)->hasGround = true;
            }
        }
        $this->moveElectrodes($plan);

        return [
            'bonds_wanted' => $plan->wanted,
            'electrode_points' => $plan->electrodePoints(),
            'panel_work' => $this->panelWork($plan->wanted),
            'actions' => $this->actions, 'after' => (new BondVerdicts($this->model, $plan->wanted, $plan))->summary(),
        ];
    }

    private function switchNeutrals(): BondPlan
    {
        while (true) {
            $plan = new BondPlan($this->model);
            $item = $this->firstConflict($plan);
            if ($item === null) {
                return $plan;
            }
            [$ref, $node] = $item;
            $switch = $this->switchBetween($this->model->of($ref)->id, $node);
            if ($switch === null) {
                $this->unresolvable[$ref] = true;
                $this->findings->raise('fixed-bond-unresolvable', $this->model->of($ref)->id);
                continue;
            }
            $this->actions[] = ['action' => 'use-switched-neutral', 'at' => $switch->id];
            $switch->isSwitched = true;
        }
    }

    /** @return null|array{string, string} a bond that cannot be taken out, or a source fed with no bond near: reference and neutral node */
    private function firstConflict(BondPlan $plan): ?array
    {
        $utilityHomes = [];
        foreach ($this->model->ofType('source') as $source) {
            if ($source->kind === 'utility') {
                array_push($utilityHomes, ...$this->model->homes($source));
            }
        }
        foreach ($this->model->bonds() as $ref => $bond) {
            $isFixed = ! str_contains((string) $ref, '.') && ($bond['element']->isFixed || in_array((string) $ref, $utilityHomes, true));
            if ($isFixed && ! in_array((string) $ref, $plan->wanted, true) && ! isset($this->unresolvable[$ref])) {
                return [(string) $ref, $bond['node']];
            }
        }
        foreach ($plan->dependent as $id) {
            if (! isset($this->unresolvable[$id]) && $this->isInConflict($id, array_keys($plan->chosen))) {
                return [$id, $this->model->elements[$id]->bondNode()];
            }
        }

        return null;
    }

    /** @param list<string> $chosen */
    private function isInConflict(string $id, array $chosen): bool
    {
        foreach ($this->model->combinations() as $positions) {
            $feeds = array_filter(
                $this->model->points(),
                fn(BondElement $point): bool => $this->model->walk($point, $positions)['source'] === $id,
            );
            if ($feeds === []) {
                continue;
            }
            $joined = BondModel::joined($this->model->neutrals($positions), $this->model->elements[$id]->bondNode());
            if (array_filter($chosen, static fn(string $source): bool => array_key_exists($source, $joined)) === []) {
                return true;
            }
        }

        return false;
    }

    private function switchBetween(string $element, string $node): ?BondElement
    {
        $joined = $this->model->sourcesJoinedTo($node);
        $ancestors = $this->model->ancestors($element);
        foreach ($this->model->ofType('switch') as $switch) {
            if ($switch->isSwitched || in_array($switch->id, $ancestors, true)) {
                continue;
            }
            $side = fn(string $feeder): array => array_values(array_intersect($joined, [$feeder, ...$this->model->ancestors($feeder)]));
            [$normal, $emergency] = [$side($switch->from), $side($switch->emergencyFrom)];
            if ($normal !== [] && $emergency !== [] && $normal !== $emergency) {
                return $switch;
            }
        }

        return null;
    }

    private function moveBonds(BondPlan $plan): void
    {
        foreach ($this->model->bonds() as $ref => $bond) {
            $ref = (string) $ref;
            if (in_array($ref, $plan->wanted, true) || isset($this->unresolvable[$ref])) {
                continue;
            }
            $e = $bond['element'];
            if (str_contains($ref, '.')) {
                $this->actions[] = ['action' => 'remove-bond', 'at' => $ref];
                $e->hasPlug = false;
                continue;
            }
            if ($e->isBonded) {
                $this->actions[] = ['action' => 'remove-bond', 'at' => $ref];
                $e->isBonded = false;
            }
            if ($e->isMixed()) {
                $this->actions[] = ['action' => 'separate-neutral-ground', 'at' => $ref];
                $e->isCombined = false;
                $e->groundsOnNeutralBar = $e->neutralsOnGroundBar = 0;
            }
        }
        foreach ($plan->wanted as $ref) {
            if (! str_contains($ref, '.') && ! $this->model->elements[$ref]->isBonded) {
                $this->actions[] = ['action' => 'add-bond', 'at' => $ref];
                $this->model->element($ref)->isBonded = true;
            }
        }
    }

    private function moveElectrodes(BondPlan $plan): void
    {
        $misplaced = $plan->misplacedElectrodes();
        foreach ($plan->electrodePoints() as $point) {
            if ($this->model->elements[$point]->hasElectrode) {
                continue;
            }
            $source = $plan->sourceOf($point);
            $near = array_values(array_filter(
                $misplaced,
                fn(string $id): bool => $id === $source || in_array($source, $this->model->ancestors($id), true),
            ))[0] ?? null;
            $this->actions[] = $near === null ? ['action' => 'add-electrode-conductor', 'at' => $point] : [
                'action' => 'move-electrode-conductor',
                'at' => $near,
                'to' => $point,
            ];
            $misplaced = array_values(array_diff($misplaced, [$near]));
        }
        foreach ($misplaced as $id) {
            $this->actions[] = ['action' => 'remove-electrode-conductor', 'at' => $id];
        }
    }

    /**
     * @param list<string> $wanted
     *
     * @return list<array<string, mixed>>
     */
    private function panelWork(array $wanted): array
    {
        return array_map(function (BondElement $panel) use ($wanted): array {
            $isSub = ! in_array($panel->id, $wanted, true);
            $grounds = $isSub ? 1 : 0;

            return [
                'panel' => $panel->id,
                'role' => $isSub ? 'sub' : 'service',
                'remove_bond' => $isSub && $panel->isBonded,
                'move_grounds' => $isSub ? $panel->groundsOnNeutralBar : 0,
                'move_neutrals' => $isSub ? $panel->neutralsOnGroundBar : 0,
                'ground_positions_short' => $isSub ? max(0, $panel->groundsOnNeutralBar - $panel->groundBarFree) : 0,
                'ungrounded_conductors' => $this->given->phases, 'neutral_conductors' => 1, 'ground_conductors' => $grounds,
                'total_conductors' => $this->given->phases + 1 + $grounds, 'bars' => $isSub ? 2 : 1,
            ];
        }, $this->given->ofType('panel'));
    }
}
