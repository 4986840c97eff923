<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\AsBuilt;

use Escapement\Core\RelayLogic\Play\DeviceTimes;
use Escapement\Core\RelayLogic\Play\PlayEvent;
use Escapement\Core\RelayLogic\Play\PlayInput;
use Escapement\Core\RelayLogic\Play\PlayResult;
use Escapement\Core\RelayLogic\Play\PlaySupply;
use Escapement\Core\RelayLogic\Play\PlayVerb;
use Escapement\Core\RelayLogic\Play\RelayPlay;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;

/**
 * A changeover panel as it was built: its circuit, its supplies and the times of its devices. What it must do in front of the
 * person who proves it is played, never typed. Rule: docs/rules.md#panel-as-built.
 */
final readonly class BuiltPanel
{
    /** The disturbance comes when the panel stands still. */
    private const AT_MS = 1000;
    /** Longer than any dial of a changeover: what has not come by then does not come. */
    private const LONG_MS = 7_200_000;
    private const HUNTING_LIMIT = 40;
    private const SETTLE_MS = 60_000;

    /**
     * @param array<string, PlaySupply>  $supplies that can fail
     * @param array<string, DeviceTimes> $times    of every device that has any
     */
    public function __construct(public RelayCircuit $circuit, private array $supplies, public array $times) {}

    public static function of(PlayInput $input): self
    {
        return new self($input->circuit, $input->supplies, $input->times);
    }

    public function first(): string
    {
        return $this->circuit->preferred;
    }

    /** The other source of the changeover; null where the circuit has but one. */
    public function second(): ?string
    {
        return array_values(array_diff(array_keys($this->circuit->sides()), [$this->first()]))[0] ?? null;
    }

    /** Whether it changes over between two sources, of which the first has no engine: only such a one can be lost and restored. */
    public function canBePlayed(): bool
    {
        return $this->second() !== null && isset($this->circuit->sides()[$this->first()], $this->supplies[$this->first()])
            && $this->supplies[$this->first()]->engine === null;
    }

    /** How much later it is when only the last crank of the set behind the second source fires. */
    public function moreMs(): int
    {
        $engine = $this->supplies[(string) $this->second()]->engine ?? null;

        return $engine === null ? 0 : ($engine->crankAttempts - 1) * ($engine->crankLimitMs + $engine->crankRestMs);
    }

    /** @return list<string> supplies that feed the control circuit, in their order */
    public function controlSupplies(): array
    {
        $used = array_column($this->circuit->rungs, 'supply');

        return array_values(array_filter(
            array_column($this->circuit->supplies, 'id'),
            static fn(string $id): bool => in_array($id, $used, true),
        ));
    }

    /** @return list<string> */
    public function startContacts(): array
    {
        return array_column($this->circuit->ofType(RelayType::Start), 'id');
    }

    /** All of the first source lost, and back after the load has settled on the second. */
    public function outage(): BuiltTimes
    {
        return $this->lost([new PlayEvent(self::AT_MS, PlayVerb::SetSupply, $this->first(), v: $this->volts(0.0))]);
    }

    /** @param int $phase counted from 0 */
    public function phaseLost(int $phase): BuiltTimes
    {
        return $this->lost([new PlayEvent(self::AT_MS, PlayVerb::LosePhase, $this->first(), phase: $phase)]);
    }

    /** How the panel stands with one source and without the other, all at rest. */
    public function alone(string $source): BuiltStand
    {
        $off = [];
        foreach ($this->supplies as $id => $supply) {
            if ($id !== $source && $supply->engine === null) {
                $off[] = new PlayEvent(self::AT_MS, PlayVerb::SetSupply, $id, v: $this->volts(0.0));
            }
        }

        return new BuiltStand($this->circuit, $this->played($off, self::LONG_MS)->final);
    }

    /** How it stands with its selector there, both sources as they are. */
    public function selected(string $position): BuiltStand
    {
        return new BuiltStand($this->circuit, $this->played(
            [new PlayEvent(self::AT_MS, PlayVerb::Selector, $position)],
            self::LONG_MS,
        )->final);
    }

    /** Whether its motor stays where the handle holds it while the first source is lost; null where it has no handle. */
    public function isLockedByHandle(): ?bool
    {
        if ($this->circuit->changeover() === null || $this->circuit->ofType(RelayType::Handle) === []) {
            return null;
        }
        $ids = array_column($this->played([
            new PlayEvent(self::AT_MS, PlayVerb::Handle, isIn: true),
            new PlayEvent(2 * self::AT_MS, PlayVerb::SetSupply, $this->first(), v: $this->volts(0.0)),
        ], self::LONG_MS)->findings, 'id');

        return ! in_array('motor-against-handle', $ids, true);
    }

    /** @param list<PlayEvent> $loss at the same moment */
    private function lost(array $loss): BuiltTimes
    {
        $gone = $this->played($loss, self::LONG_MS);
        $away = $this->mainClosed($gone, (string) $this->second(), self::AT_MS);
        $backAtMs = ($away ?? $gone->endedMs) + self::SETTLE_MS;
        $restore = new PlayEvent($backAtMs, PlayVerb::Restore, $this->first());
        $whole = $away === null ? $gone : $this->played([...$loss, $restore], $backAtMs + self::LONG_MS);

        return new BuiltTimes($this, $whole, self::AT_MS, $backAtMs);
    }

    /** When the main contacts of that source closed first, from that moment on. */
    public function mainClosed(PlayResult $result, string $source, int $fromMs): ?int
    {
        $device = $this->circuit->sides()[$source]['closed'] ?? null;
        foreach ($result->events as $event) {
            if ($event['kind'] === 'main_closed' && $event['device'] === $device && $event['t_ms'] >= $fromMs) {
                return is_int($event['t_ms']) ? $event['t_ms'] : null;
            }
        }

        return null;
    }

    /** @param list<PlayEvent> $script */
    private function played(array $script, int $untilMs): PlayResult
    {
        return RelayPlay::of(new PlayInput(
            $this->circuit,
            $this->supplies,
            $this->times,
            true,
            $this->circuit->selector()?->positions[0],
            0,
            false,
            $script,
            $untilMs,
            self::HUNTING_LIMIT,
        ));
    }

    /** @return non-empty-list<float> */
    private function volts(float $v): array
    {
        return array_fill(0, $this->circuit->isThreePhase ? 3 : 1, $v);
    }
}
