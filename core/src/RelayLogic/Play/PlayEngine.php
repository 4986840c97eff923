<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** One generating set in time. Rule: docs/rules.md#relay-play. */
final class PlayEngine
{
    public EngineState $state = EngineState::Stopped;
    public bool $isCalled = false;
    public int $failuresLeft = 0;
    public int $starts = 0;

    private int $attempt = 0;
    private bool $isFailing = false;
    private ?int $dueMs = null;
    private ?int $firedMs = null;
    private int $ranMs = 0;

    public function __construct(private readonly EngineTimes $times) {}

    /**
     * Makes one change that is due, a call that is gone before what time brings.
     *
     * @return ?list<array{string, array<string, int|string>}> its events; null when none is due
     */
    public function change(int $t): ?array
    {
        return $this->answerCall($t) ?? ($this->dueMs !== null && $this->dueMs <= $t ? $this->pass($t) : null);
    }

    public function nextMs(): ?int
    {
        return $this->dueMs;
    }

    public function runMs(int $t): int
    {
        return $this->ranMs + ($this->firedMs === null ? 0 : $t - $this->firedMs);
    }

    /** @return list<array{string, array<string, int|string>}> */
    public function trip(int $t): array
    {
        return $this->state === EngineState::LockedOut ? [] : [$this->lockOut($t, 'trip')];
    }

    /** @return list<array{string, array<string, int|string>}> */
    public function reset(): array
    {
        if ($this->state !== EngineState::LockedOut) {
            return [];
        }
        $this->enter(EngineState::Stopped, null);

        return [['engine_reset', []]];
    }

    /** @return ?list<array{string, array<string, int|string>}> */
    private function answerCall(int $t): ?array
    {
        switch ([$this->state, $this->isCalled]) {
            case [EngineState::Stopped, true]:
                $this->enter(EngineState::Waiting, $t + $this->times->startDelayMs);

                return [];
            case [EngineState::Cooling, true]:
                $this->enter(EngineState::Running, null);

                return [];
            case [EngineState::Waiting, false]:
                $this->enter(EngineState::Stopped, null);

                return [];
            case [EngineState::Running, false]:
                $this->enter(EngineState::Cooling, $t + $this->times->cooldownMs);

                return [['cooldown_started', []]];
            case [EngineState::Cranking, false]:
            case [EngineState::Resting, false]:
            case [EngineState::RunningUp, false]:
                return $this->coast($t);
            default:
                return null;
        }
    }

    /** @return ?list<array{string, array<string, int|string>}> */
    private function pass(int $t): ?array
    {
        switch ($this->state) {
            case EngineState::Waiting:
                return $this->crank($t, 1);
            case EngineState::Resting:
                return $this->crank($t, $this->attempt + 1);
            case EngineState::Cranking:
                return $this->isFailing ? $this->fail($t) : $this->fire($t);
            case EngineState::RunningUp:
                $this->enter(EngineState::Running, null);

                return [['engine_at_speed', []]];
            case EngineState::Cooling:
                return $this->coast($t);
            case EngineState::Coasting:
                $this->enter(EngineState::Stopped, null);

                return [];
            default:
                return null;
        }
    }

    /** @return list<array{string, array<string, int|string>}> */
    private function crank(int $t, int $attempt): array
    {
        $this->attempt = $attempt;
        $this->isFailing = $this->failuresLeft > 0 || $this->times->crankMs > $this->times->crankLimitMs;
        $this->failuresLeft = max(0, $this->failuresLeft - 1);
        $this->enter(EngineState::Cranking, $t + ($this->isFailing ? $this->times->crankLimitMs : $this->times->crankMs));

        return [['crank_started', ['attempt' => $attempt]]];
    }

    /** @return list<array{string, array<string, int|string>}> */
    private function fail(int $t): array
    {
        $failed = ['crank_failed', ['attempt' => $this->attempt]];
        if ($this->attempt >= $this->times->crankAttempts) {
            return [$failed, $this->lockOut($t, 'overcrank')];
        }
        $this->enter(EngineState::Resting, $t + $this->times->crankRestMs);

        return [$failed];
    }

    /** @return list<array{string, array<string, int|string>}> */
    private function fire(int $t): array
    {
        $this->starts++;
        $this->firedMs = $t;
        $this->enter(EngineState::RunningUp, $t + $this->times->runUpMs);

        return [['engine_fired', []]];
    }

    /** @return list<array{string, array<string, int|string>}> */
    private function coast(int $t): array
    {
        $this->stopClock($t);
        $this->enter(EngineState::Coasting, $t + $this->times->stopMs);

        return [['engine_stopped', []]];
    }

    /** @return array{string, array<string, int|string>} */
    private function lockOut(int $t, string $reason): array
    {
        $this->stopClock($t);
        $this->enter(EngineState::LockedOut, null);

        return ['engine_locked_out', ['reason' => $reason]];
    }

    private function stopClock(int $t): void
    {
        $this->ranMs = $this->runMs($t);
        $this->firedMs = null;
    }

    private function enter(EngineState $state, ?int $dueMs): void
    {
        $this->state = $state;
        $this->dueMs = $dueMs;
    }
}
