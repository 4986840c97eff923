<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Story;

use Escapement\Core\RelayLogic\CircuitFault;
use Escapement\Core\RelayLogic\CircuitModel;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;

/**
 * The shortest way from normal operation to both sources closed, so that a person can follow what the search found.
 * Rule: docs/rules.md#relay-check.
 */
final readonly class CounterExample
{
    private CircuitModel $model;

    /** @param ?CircuitFault $fault that is there from the beginning */
    public function __construct(private RelayCircuit $circuit, ?CircuitFault $fault = null)
    {
        $this->model = new CircuitModel($circuit, $fault);
    }

    /** @return list<StoryStep> from the beginning to both closed; empty where nothing leads there */
    public function steps(): array
    {
        if (count($this->circuit->powerContactors()) !== 2) {
            return [];
        }
        $path = $this->path([$this->normal()]);
        if ($path === []) {
            $path = $this->path($this->powerUps());
        }
        $words = new StoryWords($this->circuit);
        $moments = new ModelMoments($this->circuit, $this->model);
        $steps = [];
        $before = null;
        foreach ($path as $state) {
            $moment = $moments->at($state);
            $steps[] = $words->step($before, $moment);
            $before = $moment;
        }

        return $steps;
    }

    /**
     * Breadth first, so the first way found is a shortest one.
     *
     * @param list<int> $starts
     *
     * @return list<int>
     */
    private function path(array $starts): array
    {
        $from = array_fill_keys($starts, null);
        $open = $starts;
        while ($open !== []) {
            $next = [];
            foreach ($open as $state) {
                if ($this->isBothClosed($state)) {
                    return $this->back($state, $from);
                }
                foreach ([...$this->model->own($state), ...$this->model->outside($state)] as $to) {
                    if (! array_key_exists($to, $from)) {
                        $from[$to] = $state;
                        $next[] = $to;
                    }
                }
            }
            $open = $next;
        }

        return [];
    }

    /**
     * @param array<int, ?int> $from
     *
     * @return list<int>
     */
    private function back(int $state, array $from): array
    {
        $path = [];
        for ($at = $state; $at !== null; $at = $from[$at]) {
            array_unshift($path, $at);
        }

        return $path;
    }

    private function isBothClosed(int $state): bool
    {
        foreach ($this->circuit->powerContactors() as $contactor) {
            if (! $this->model->isClosed($state, $contactor->id)) {
                return false;
            }
        }

        return true;
    }

    /** Everything healthy, the selector at auto, and the circuit come to rest: what a person takes as the beginning. */
    private function normal(): int
    {
        $positions = $this->circuit->selector()->positions ?? [];
        $auto = array_search('auto', $positions, true);
        $state = $this->model->powerUps($this->model->healths()[0]['bits'], $auto === false ? 0 : $auto)[0];
        $seen = [];
        while (! isset($seen[$state]) && ($own = $this->preferred($state)) !== null) {
            $seen[$state] = true;
            $state = $own;
        }

        return $state;
    }

    /** Of several own moves, the one that does not close the second source before the first. */
    private function preferred(int $state): ?int
    {
        $own = $this->model->own($state);
        $second = array_values(array_filter(
            $this->circuit->powerContactors(),
            fn(RelayDevice $one): bool => $one->supply !== $this->circuit->preferred,
        ))[0]->id;
        foreach ($own as $next) {
            if ($this->model->value($next, $second) <= $this->model->value($state, $second)) {
                return $next;
            }
        }

        return $own[0] ?? null;
    }

    /** @return list<int> */
    private function powerUps(): array
    {
        $all = [];
        foreach ($this->model->healths() as $one) {
            for ($place = 0; $place < max(1, count($this->circuit->selector()->positions ?? [])); $place++) {
                array_push($all, ...$this->model->powerUps($one['bits'], $place));
            }
        }

        return $all;
    }
}
