<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\Finding\Finding;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\Topology\PlacedFindings;

/** What a run shows to be wrong with the circuit. Rule: docs/rules.md#relay-play. */
final class PlayFindings
{
    private const LONG_MS = 1000;
    private const HEALTHY_PCT = 85;

    private PlacedFindings $findings;

    /** @param array<string, PlayEngine> $engines by supply */
    public function __construct(
        private readonly PlayInput $input,
        private readonly PlayState $state,
        private readonly PlayLog $log,
        private readonly array $engines,
        private readonly int $ended,
    ) {
        $this->findings = new PlacedFindings();
    }

    /**
     * @param ?array{device: string, at_ms: int, steps: int} $hunting
     *
     * @return list<Finding> worst first, by id, by place
     */
    public function all(?array $hunting, bool $isCovered, bool $neverSettles, bool $hasFault, bool $hasMovedAgainstHandle): array
    {
        $motor = $this->input->circuit->changeover()?->id;
        if ($this->log->bothClosed !== []) {
            $id = $this->input->circuit->hasMechanicalInterlock ? 'mechanical-interlock-only' : 'both-closed';
            $this->findings->raise($id, figures: ['ms' => max(array_column($this->log->bothClosed, 'ms'))]);
        }
        if ($hunting !== null) {
            $this->findings->raise('relay-play/hunting', $hunting['device'], ['steps' => $hunting['steps']]);
        }
        if ($neverSettles) {
            $this->findings->raise('never-settles');
        }
        $this->loadSide();
        if ($hasMovedAgainstHandle) {
            $this->findings->raise('motor-against-handle', $motor);
        }
        if ($this->log->stretch('conflict')->until($this->ended + 1) !== []) {
            $this->findings->raise('relay-play/conflicting-commands', $motor);
        }
        $this->coils();
        $this->engines();
        if ($hasFault) {
            $this->findings->raise('fault-present');
        } elseif (! $isCovered) {
            $this->findings->raise('outside-proof');
        }

        return $this->findings->sorted();
    }

    private function loadSide(): void
    {
        foreach (['single' => 'single-phasing', 'reverse' => 'reverse-rotation-fed'] as $stretch => $id) {
            $ms = $this->log->stretch($stretch)->longestMs($this->ended);
            if ($ms > self::LONG_MS) {
                $this->findings->raise($id, figures: ['ms' => $ms]);
            }
        }
        foreach ($this->log->isBusLive() ? [] : array_keys($this->input->supplies) as $id) {
            if ($this->state->isWhole($id, self::HEALTHY_PCT)) {
                $this->findings->raise('dark-with-source', figures: ['supply' => $id]);
            }
        }
    }

    private function coils(): void
    {
        foreach ($this->input->circuit->rungs as $rung) {
            $type = $this->input->circuit->deviceById[explode('.', $rung->coil)[0]]->type;
            if ($type !== RelayType::Contactor && $type !== RelayType::Relay) {
                continue;
            }
            $ms = $this->log->stretch("weak:$rung->coil")->longestMs($this->ended);
            if ($ms > self::LONG_MS) {
                $this->findings->raise('coil-undervoltage', $rung->coil, ['ms' => $ms]);
            }
        }
    }

    private function engines(): void
    {
        $preferred = $this->input->circuit->preferred;
        $isWanted = ! $this->state->isWhole($preferred, PlayLog::LIVE_PCT) && $this->engines !== [];
        foreach ($this->engines as $supply => $engine) {
            $isLockedOut = $engine->state === EngineState::LockedOut;
            $isWanted = $isWanted && ! $engine->isCalled && ! $isLockedOut;
            if ($isLockedOut) {
                $this->findings->raise('engine-locked-out', (string) $supply);
            }
            if ($engine->isCalled && $this->state->bus()->feeding === [$preferred] && $this->log->isBusLive()) {
                $this->findings->raise('engine-runs-for-nothing', (string) $supply);
            }
        }
        if ($isWanted) {
            $this->findings->raise('engine-not-called');
        }
    }
}
