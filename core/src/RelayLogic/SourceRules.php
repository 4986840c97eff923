<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

use Escapement\Core\Finding\Severity;
use Escapement\Core\Topology\PlacedFindings;

/** Whether a source is proved before it is closed on, and whether there is a pause between two sources. Rule: docs/rules.md#relay-check. */
final readonly class SourceRules
{
    public function __construct(private RelayCircuit $circuit, private StateSpace $space, private PlacedFindings $findings) {}

    public function judge(): void
    {
        foreach ($this->circuit->sides() as $source => $side) {
            $this->unproved((string) $source, $side);
            if ($this->circuit->isThreePhase) {
                $this->phaseLoss((string) $source, $side);
            }
        }
        $this->closedOnDead();
        $this->returnDelay();
        $this->deadTime();
    }

    /** @param array{device: string, coil: string, closed: string} $side */
    private function unproved(string $source, array $side): void
    {
        $relays = array_filter(
            $this->circuit->ofType(RelayType::PhaseRelay),
            static fn(RelayDevice $one): bool => $one->supply === $source,
        );
        $held = array_fill_keys(array_map(static fn(RelayDevice $one): string => $one->id, $relays), 0);
        $space = $held === [] ? $this->space : new StateSpace($this->circuit, new CircuitModel($this->circuit, held: $held));
        foreach ($space->settledAtRest() as $state) {
            if ($space->model->isEnergised($state, $side['coil'])) {
                $this->findings->raise('source-unproved', $side['device']);

                return;
            }
        }
    }

    /** @param array{device: string, coil: string, closed: string} $side */
    private function phaseLoss(string $source, array $side): void
    {
        $space = new StateSpace($this->circuit, new CircuitModel($this->circuit, losesPhase: $source));
        foreach ($space->settledAtRest() as $state) {
            if ($space->model->isHealthy($state, $source)
                && $space->model->hasLostPhase($state)
                && $space->model->isEnergised($state, $side['coil'])) {
                $this->findings->raise('phase-loss-unseen', $side['device']);

                return;
            }
        }
    }

    private function closedOnDead(): void
    {
        $model = $this->space->model;
        foreach ($this->space->settled() as $state) {
            foreach ($this->circuit->sides() as $source => $side) {
                if ($model->isClosed($state, $side['closed']) && ! $model->isHealthy($state, (string) $source)) {
                    $this->findings->raise('closed-on-dead-source', $side['device']);
                }
            }
        }
    }

    private function returnDelay(): void
    {
        $sides = $this->circuit->sides();
        $preferred = $sides[$this->circuit->preferred] ?? null;
        if ($preferred === null) {
            return;
        }
        $model = $this->space->model;
        foreach ($this->space->settledAtRest() as $state) {
            $closed = array_filter($sides, static fn(array $side): bool => $model->isClosed($state, $side['closed']));
            if ($model->isHealthy($state, $this->circuit->preferred) || $closed === [] || isset($closed[$this->circuit->preferred])) {
                continue;
            }
            $back = $model->toggled($state, $this->circuit->preferred);
            if ($this->space->leadsFast($back, static fn(int $reached): bool => $model->isClosed($reached, $preferred['closed']))) {
                $this->findings->raise('relay-check/no-return-delay', $preferred['device']);

                return;
            }
        }
    }

    private function deadTime(): void
    {
        $pair = $this->circuit->powerContactors();
        foreach ($pair as $i => $from) {
            $to = $pair[1 - $i];
            if ($this->hasNoPause($from, $to)) {
                $this->findings->raise('no-dead-time', $to->id, severity: $this->circuit->isThreePhase ? Severity::Warn : Severity::Note);
            }
        }
    }

    private function hasNoPause(RelayDevice $from, RelayDevice $to): bool
    {
        $model = $this->space->model;
        foreach ($this->space->own() as $state => $own) {
            if (! $model->isAtRest($state) || $model->value($state, $from->id) !== 2 || ! $model->isHealthy($state, (string) $to->supply)) {
                continue;
            }
            foreach ($own as $next) {
                if ($model->value($next, $from->id) < 2 && $this->space->leadsFast(
                    $next,
                    static fn(int $reached): bool => $model->value($reached, $to->id) === 2,
                )) {
                    return true;
                }
            }
        }

        return false;
    }
}
