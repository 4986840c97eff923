<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Story;

use Escapement\Core\RelayLogic\CircuitModel;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;

/** Tells the states of a search as moments of the circuit. */
final readonly class ModelMoments
{
    public function __construct(private RelayCircuit $circuit, private CircuitModel $model) {}

    public function at(int $state): CircuitMoment
    {
        $closed = $energised = $called = $alive = $values = $mains = [];
        foreach ($this->circuit->rungs as $rung) {
            $energised[$rung->coil] = $this->model->isEnergised($state, $rung->coil);
        }
        foreach ($this->circuit->ofType(RelayType::Start) as $start) {
            $called[$start->id] = $this->model->isStarted($state, $start->id);
        }
        foreach ($this->circuit->contacts() as $contact) {
            $closed[$contact->id] = $this->model->isContactClosed($state, $contact);
        }
        foreach ($this->circuit->supplies as $supply) {
            $alive[$supply->id] = $this->model->isHealthy($state, $supply->id);
        }
        foreach ($this->model->moving as $device) {
            $values[$device->id] = $this->model->value($state, $device->id);
        }
        foreach ($this->circuit->sides() as $source => $side) {
            if ($this->model->isClosed($state, $side['closed'])) {
                $mains[$side['closed']] = (string) $source;
            }
        }

        return new CircuitMoment(
            $alive,
            $values,
            $this->circuit->selector()?->positions[$this->model->selectorAt($state)] ?? null,
            $this->model->pressed($state),
            $this->model->isHandleIn($state),
            $closed,
            $energised,
            $called,
            $mains,
        );
    }
}
