<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** Every environment with what the circuit settles to. Rule: docs/rules.md#relay-check. */
final readonly class TruthTable
{
    public function __construct(private RelayCircuit $circuit, private StateSpace $space) {}

    /** @return list<TruthRow> by selector position, all healthy first */
    public function rows(): array
    {
        $byEnvironment = $this->settledByEnvironment();
        $rows = [];
        foreach ($this->circuit->selector()->positions ?? [null] as $place => $selector) {
            foreach ($this->space->model->healths() as $one) {
                $cold = $this->space->settledFrom($this->space->model->powerUps($one['bits'], $place));
                $rows[] = new TruthRow(
                    $selector,
                    $one['health'],
                    $this->told($cold),
                    $this->told($byEnvironment["$place {$one['bits']}"] ?? []),
                );
            }
        }

        return $rows;
    }

    /** @return array<string, list<int>> reachable settled states with all hands off, by selector place and health */
    private function settledByEnvironment(): array
    {
        $model = $this->space->model;
        $by = [];
        foreach ($this->space->settled() as $state) {
            if ($model->isHandsOff($state)) {
                $by["{$model->selectorAt($state)} {$model->healthBits($state)}"][] = $state;
            }
        }

        return $by;
    }

    /**
     * @param list<int> $states
     *
     * @return list<RelayState> sorted by the values of their devices
     */
    private function told(array $states): array
    {
        $model = $this->space->model;
        $values = fn(int $state): array => array_map(
            static fn(RelayDevice $device): int => $model->value($state, $device->id),
            $model->moving,
        );
        usort($states, static fn(int $a, int $b): int => $values($a) <=> $values($b));

        return array_map($this->state(...), $states);
    }

    private function state(int $state): RelayState
    {
        $model = $this->space->model;
        $closed = $picked = $lit = $start = [];
        foreach ($this->circuit->devices as $device) {
            if ($device->type === RelayType::MotorChangeover) {
                foreach (['I', 'II'] as $position) {
                    if ($model->isClosed($state, "$device->id.$position")) {
                        $closed[] = "$device->id.$position";
                    }
                }
            } elseif ($device->type->isMoving() && $model->value($state, $device->id) === 2) {
                $picked[] = $device->id;
            }
            if ($device->isPowerContactor() && $model->isClosed($state, $device->id)) {
                $closed[] = $device->id;
            }
            if ($device->type === RelayType::Lamp && $model->isEnergised($state, $device->id)) {
                $lit[] = $device->id;
            }
            if ($device->type === RelayType::Start && $model->isStarted($state, $device->id)) {
                $start[] = $device->id;
            }
        }

        return new RelayState($closed, $picked, $lit, $start);
    }
}
