<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\CircuitModel;
use Escapement\Core\RelayLogic\RelayDevice;

/** Whether the proof of the circuit covers what a run does: whether its machine could have made the same steps. */
final class ProofCoverage
{
    private bool $isCovered = true;
    private readonly CircuitModel $model;

    public function __construct(PlayInput $input)
    {
        $this->model = new CircuitModel($input->circuit);
        foreach ($input->times as $times) {
            $this->isCovered = $this->isCovered && ! $times->dial->sensesLoad;
        }
    }

    public function isCovered(): bool
    {
        return $this->isCovered;
    }

    public function breakOff(): void
    {
        $this->isCovered = false;
    }

    /** A timer is about to step after its delay: the proof lets it do so only when nothing fast can move, whatever is healthy. */
    public function judgeSlowStep(PlayState $state, RelayDevice $timer, int $to): void
    {
        if (! $this->isCovered) {
            return;
        }
        $place = array_search($state->selector, $state->input->circuit->selector()->positions ?? [], true);
        $place = is_int($place) ? $place : 0;
        $after = [$timer->id => $to] + $state->values;
        foreach ($this->model->healths() as $health) {
            $at = $this->model->stateOf($state->values, $place, $state->pressed, $state->isHandleIn, $health['bits']);
            $next = $this->model->stateOf($after, $place, $state->pressed, $state->isHandleIn, $health['bits']);
            if ($this->model->fast($at) === [] && in_array($next, $this->model->own($at), true)) {
                return;
            }
        }
        $this->isCovered = false;
    }
}
