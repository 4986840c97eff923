<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Event\EngineAtSpeed;
use Escapement\Core\Simulation\Event\EngineFired;
use Escapement\Core\Simulation\Event\EngineLockedOut;
use Escapement\Core\Simulation\Event\EngineStopped;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Sensing\Signal;
use Escapement\Core\Simulation\Span;

/**
 * The true voltage of one source over a rehearsal, as corners of straight lines, and when it is enough for the load bus.
 *
 * The same Signal as in the simulation answers that, so a picture cannot have a rule of its own. Rule: docs/rules.md#rehearsal.
 */
final readonly class VoltageTrace
{
    /** @var list<array{atMs: int, v: list<float>}> volts a phase; between two corners a straight line */
    public array $corners;
    /** @var list<Span> live or dead */
    public array $live;

    /**
     * @param list<ScenarioEvent> $script
     * @param list<Event>         $events of the rehearsal
     */
    public function __construct(
        private Plant $plant,
        private Settings $settings,
        private Side $side,
        Side $initial,
        array $script,
        array $events,
        int $untilMs,
    ) {
        $startsAtNominal = $side === Side::Normal || $plant->engine === null || $initial === Side::Emergency;
        $changes = $side === Side::Emergency && $plant->engine !== null ? $this->ofEngine($events) : $this->ofScript($script);
        $changes = array_values(array_filter($changes, static fn(array $change): bool => $change['atMs'] <= $untilMs));
        $this->corners = $this->corners($changes, $startsAtNominal, $untilMs);
        $this->live = $this->live($changes, $startsAtNominal, $untilMs);
    }

    /**
     * @param list<ScenarioEvent> $script
     *
     * @return list<array{atMs: int, v: list<int|float>, overMs: int}>
     */
    private function ofScript(array $script): array
    {
        $changes = [];
        foreach ($script as $event) {
            if ($event->source === $this->side && $event->v !== null) {
                $changes[] = ['atMs' => $event->atMs, 'v' => $event->v, 'overMs' => $event->overMs];
            }
        }

        return $changes;
    }

    /**
     * @param list<Event> $events
     *
     * @return list<array{atMs: int, v: list<int|float>, overMs: int}>
     */
    private function ofEngine(array $events): array
    {
        $changes = [];
        foreach ($events as $event) {
            $change = match (true) {
                $event instanceof EngineFired => [$this->flat($this->plant->emergency->nominalV), $event->runUpMs],
                $event instanceof EngineAtSpeed => [$this->flat($this->plant->emergency->nominalV), 0],
                $event instanceof EngineStopped, $event instanceof EngineLockedOut => [$this->flat(0), 0],
                default => null,
            };
            if ($change !== null) {
                $changes[] = ['atMs' => $event->tMs, 'v' => $change[0], 'overMs' => $change[1]];
            }
        }

        return $changes;
    }

    /** @return list<int|float> */
    private function flat(int|float $v): array
    {
        return array_fill(0, $this->plant->source($this->side)->phases, $v);
    }

    /**
     * @param list<array{atMs: int, v: list<int|float>, overMs: int}> $changes
     *
     * @return list<array{atMs: int, v: list<float>}>
     */
    private function corners(array $changes, bool $startsAtNominal, int $untilMs): array
    {
        $from = $to = array_map(floatval(...), $this->flat($startsAtNominal ? $this->plant->source($this->side)->nominalV : 0));
        $fromMs = $toMs = 0;
        $corners = [['atMs' => 0, 'v' => $from]];
        foreach ($changes as $change) {
            if ($change['atMs'] < $toMs) { // cuts a ramp short
                array_pop($corners);
                $part = ($change['atMs'] - $fromMs) / ($toMs - $fromMs);
                $to = array_map(static fn(float $a, float $b): float => $a + ($b - $a) * $part, $from, $to);
            }
            $corners[] = ['atMs' => $change['atMs'], 'v' => $to];
            [$from, $to] = [$to, array_map(floatval(...), $change['v'])];
            [$fromMs, $toMs] = [$change['atMs'], $change['atMs'] + $change['overMs']];
            $corners[] = ['atMs' => $toMs, 'v' => $to];
        }
        if ($toMs > $untilMs) {
            $part = ($untilMs - $fromMs) / ($toMs - $fromMs);
            $to = array_map(static fn(float $a, float $b): float => $a + ($b - $a) * $part, $from, $to);
            array_pop($corners);
        }
        $corners[] = ['atMs' => $untilMs, 'v' => $to];

        return $corners;
    }

    /**
     * @param list<array{atMs: int, v: list<int|float>, overMs: int}> $changes
     *
     * @return list<Span>
     */
    private function live(array $changes, bool $startsAtNominal, int $untilMs): array
    {
        $signal = new Signal($this->plant->source($this->side), $this->settings->sensing($this->side), $startsAtNominal);
        $isLive = $signal->isLive(0);
        $fromMs = $next = $t = 0;
        $spans = [];
        while ($t <= $untilMs) {
            while (isset($changes[$next]) && $changes[$next]['atMs'] <= $t) {
                ['v' => $v, 'overMs' => $overMs] = $changes[$next++];
                $overMs > 0 ? $signal->ramp($t, $v, null, $overMs) : $signal->set($t, $v, null);
            }
            if ($signal->isLive($t) !== $isLive) {
                if ($t > $fromMs) {
                    $spans[] = new Span($fromMs, $t, $isLive ? 'live' : 'dead');
                }
                [$isLive, $fromMs] = [! $isLive, $t];
            }
            $t = min($changes[$next]['atMs'] ?? Signal::NEVER, $signal->nextWakeMs($t));
        }
        $spans[] = new Span($fromMs, max($fromMs, $untilMs), $isLive ? 'live' : 'dead');

        return $spans;
    }
}
