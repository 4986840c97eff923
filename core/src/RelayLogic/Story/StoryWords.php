<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Story;

use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** Says what changed between two moments of a circuit. */
final readonly class StoryWords
{
    private const AT_REST = 0;
    private const MADE = 2;
    private const POSITIONS = ['I', '0', 'II'];

    public function __construct(private RelayCircuit $circuit) {}

    public function step(?CircuitMoment $before, CircuitMoment $now): StoryStep
    {
        if ($before === null) {
            return new StoryStep('', $this->standing($now), false, $now);
        }
        $outside = $this->outside($before, $now);

        return new StoryStep($outside ?? $this->own($before, $now), $this->changes($before, $now), $outside !== null, $now);
    }

    private function outside(CircuitMoment $before, CircuitMoment $now): ?string
    {
        foreach ($now->alive as $supply => $isAlive) {
            if ($isAlive !== $before->alive[$supply]) {
                return $isAlive ? "$supply returns" : "$supply fails";
            }
        }
        if ($before->selector !== $now->selector) {
            return "Selector to $now->selector";
        }
        foreach (array_diff($now->pressed, $before->pressed) as $button) {
            return "$button is pressed";
        }
        foreach (array_diff($before->pressed, $now->pressed) as $button) {
            return "$button is released";
        }

        return $before->isHandleIn === $now->isHandleIn ? null : ($now->isHandleIn ? 'Handle is put in' : 'Handle is taken out');
    }

    private function own(CircuitMoment $before, CircuitMoment $now): string
    {
        foreach ($now->values as $id => $value) {
            if ($value !== $before->values[$id]) {
                return $this->move($this->circuit->deviceById[$id], $before->values[$id], $value);
            }
        }

        return '';
    }

    private function move(RelayDevice $device, int $from, int $to): string
    {
        if ($device->type === RelayType::MotorChangeover) {
            return "$device->id moves to " . self::POSITIONS[$to];
        }
        $name = $device->id;

        return match (true) {
            $device->type === RelayType::PhaseRelay => $to === self::MADE ? "$name finds $device->supply good" : "$name drops",
            $device->type === RelayType::Timer => $to === self::MADE
                ? ($device->isOnDelay ? "$name has timed out" : "$name picks up")
                : ($device->isOnDelay ? "$name drops" : "$name has timed out"),
            $to === self::MADE => $device->isPowerContactor() ? "$name closes" : "$name picks up",
            $to === self::AT_REST => "$name is at rest",
            $from === self::MADE => $device->isPowerContactor() ? "$name opens" : "$name lets go",
            default => "$name begins to move",
        };
    }

    /** Which coils gained or lost their current, and whether both sources meet. */
    private function changes(CircuitMoment $before, CircuitMoment $now): string
    {
        $words = [];
        foreach ($now->energised as $coil => $isOn) {
            $type = $this->circuit->deviceById[explode('.', $coil)[0]]->type;
            if ($isOn !== $before->energised[$coil] && $type !== RelayType::Lamp) {
                $words[] = $isOn ? "Coil $coil has current." : "Coil $coil has no current.";
            }
        }
        foreach ($now->called as $start => $isCalled) {
            if ($isCalled !== $before->called[$start]) {
                $words[] = $isCalled ? "$start calls the engine." : "$start no longer calls the engine.";
            }
        }
        if ($now->areBothClosed()) {
            $words[] = implode(' and ', array_map(strval(...), array_keys($now->mains))) . ' are both closed.';
        }

        return implode(' ', $words);
    }

    private function standing(CircuitMoment $now): string
    {
        $lost = array_keys(array_filter($now->alive, static fn(bool $isAlive): bool => ! $isAlive));
        $closed = array_map(strval(...), array_keys($now->mains));

        return ($lost === [] ? 'All sources healthy. ' : 'Without voltage: ' . implode(', ', $lost) . '. ')
            . ($closed === [] ? 'Nothing is closed.' : implode(', ', $closed) . ' closed.');
    }
}
