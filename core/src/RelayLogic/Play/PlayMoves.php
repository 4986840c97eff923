<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** Which steps are pending, and since when. Rule: docs/rules.md#relay-play. */
final class PlayMoves
{
    /** @var array<string, PendingMove> by device, in device order */
    private array $pending = [];

    public function __construct(private readonly PlayState $state) {}

    /** Looks at every device anew: a move that is the same goes on, another begins now. */
    public function look(int $t): void
    {
        foreach ($this->state->moving as $device) {
            $value = $this->state->values[$device->id];
            $aim = $this->aim($device, $value);
            if ($aim === $value || $this->state->isHeld($device)) {
                unset($this->pending[$device->id]);

                continue;
            }
            $move = $this->pending[$device->id] ?? null;
            if ($move?->isToward($value, $aim) !== true) {
                $move = $this->pending[$device->id] = $this->move($device, $value, $aim, $t);
            }
            if ($device->type === RelayType::PhaseRelay) {
                $isLost = $aim === PlayState::OUT && $this->state->watch($device->id)->isLost();
                $move->lostSinceMs = $isLost ? $move->lostSinceMs ?? $t : null;
            }
        }
    }

    /** Everything that is pending starts anew. */
    public function restart(int $t): void
    {
        $this->pending = [];
        $this->look($t);
    }

    public function of(string $device): ?PendingMove
    {
        return $this->pending[$device] ?? null;
    }

    /** The first device in device order whose move is due. */
    public function due(int $t): ?RelayDevice
    {
        foreach ($this->state->moving as $device) {
            $move = $this->pending[$device->id] ?? null;
            if ($move !== null && $move->dueMs() <= $t) {
                return $device;
            }
        }

        return null;
    }

    /** The one that settling takes next: fast before slow, in device order. */
    public function firstOf(bool $isSlow): ?RelayDevice
    {
        foreach ($this->state->moving as $device) {
            $move = $this->pending[$device->id] ?? null;
            if ($move !== null && $move->isSlow === $isSlow) {
                return $device;
            }
        }

        return null;
    }

    public function nextMs(): ?int
    {
        $dues = array_map(static fn(PendingMove $move): int => $move->dueMs(), $this->pending);

        return $dues === [] ? null : min($dues);
    }

    /** Which way the device is bound: its value when it stays. */
    private function aim(RelayDevice $device, int $value): int
    {
        switch ($device->type) {
            case RelayType::PhaseRelay:
                return $this->state->watch($device->id)->isGood() ? PlayState::IN : PlayState::OUT;
            case RelayType::MotorChangeover:
                $commands = $this->state->commands($device->id);
                $wanted = count($commands) === 1 ? (int) array_search($commands[0], PlayState::MOTOR, true) : $value;

                return $value + ($wanted <=> $value);
            default:
                return $this->state->isOn($device->id) ? PlayState::IN : PlayState::OUT;
        }
    }

    private function move(RelayDevice $device, int $value, int $aim, int $t): PendingMove
    {
        $times = $this->state->input->times[$device->id];
        $step = $value + ($aim <=> $value);
        switch ($device->type) {
            case RelayType::PhaseRelay:
                $length = $aim === PlayState::IN ? $times->dial->resetMs : $times->dial->tripMs;

                return new PendingMove($value, $aim, $aim, $t, $length, false, $times->dial->lossTripMs);
            case RelayType::Timer:
                $isSlow = ($aim === PlayState::IN) === $device->isOnDelay;

                return new PendingMove($value, $aim, $aim, $t, $isSlow ? $times->delayMs : 0, $isSlow);
            case RelayType::MotorChangeover:
                return new PendingMove($value, $step, $aim, $t, $value === 1 ? $times->closeMs : $times->openMs, false);
            default:
                $length = $aim === PlayState::IN ? $times->pickMs : $times->dropMs;

                return new PendingMove($value, $step, $aim, $t, $value === 1 ? $times->travelMs : $length - $times->travelMs, false);
        }
    }
}
