<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Hook;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/** Turns what hands do into events of a scenario, keeping where knobs and levers stand. Rule: docs/rules.md#bench-play. */
final class BenchScript
{
    private const HOOKS = ['generator_breaker', 'generator_rotation', 'handle'];

    /** @var list<BenchAct> */
    public array $acts = [];
    public bool $isPure = true;
    /** A test was made where the switch could see it. */
    private bool $hasOutage = false;
    private bool $isPanelMainOpened = false;

    /** @var array<string, list<int|float>> knobs of each source, volts by phase */
    private array $volts = [];
    /** @var array<string, mixed> the same as they were given: one number, or one a phase */
    private array $said = [];
    private bool $isDisconnected = false;
    private bool $isFuelBlocked = false;
    private bool $isPanelMainClosed = true;
    /** @var array<string, int|float> knobs of the loads, kW by id */
    private array $kw = [];

    /** @param list<Load> $loads */
    public function __construct(Plant $plant, array $loads, private readonly int $untilMs)
    {
        foreach ([Side::Normal, Side::Emergency] as $side) {
            $source = $plant->source($side);
            $this->volts[$side->value] = array_fill(0, max(1, $source->phases), $source->nominalV);
            $this->said[$side->value] = $source->nominalV;
        }
        foreach ($loads as $load) {
            $this->kw[$load->id] = $load->kw;
        }
    }

    public function isDisconnected(): bool
    {
        return $this->isDisconnected;
    }

    public function isPanelMainClosed(): bool
    {
        return $this->isPanelMainClosed;
    }

    /** @return list<int|float> where the knobs of a source stand, volts by phase; an open disconnect leaves them there */
    public function knobs(Side $side): array
    {
        return $this->volts[$side->value];
    }

    /** @return array<string, int|float> where the knobs of the loads stand, kW by id; an open panel main leaves them there */
    public function loadKnobs(): array
    {
        return $this->kw;
    }

    /** The switch never saw the outage that somebody meant to make. */
    public function isNoTest(): bool
    {
        return $this->isPanelMainOpened && ! $this->hasOutage;
    }

    /**
     * @param array<string, mixed> $keys  as they were read
     * @param ?ScenarioEvent       $event where it is an event as it stands
     * @param array<string, mixed> $wire  the same on the wire
     */
    public function add(int $atMs, string $do, array $keys, ?ScenarioEvent $event = null, array $wire = []): void
    {
        $this->isPure = $this->isPure && ! in_array($do, self::HOOKS, true);
        $this->hasOutage = $this->hasOutage || $do === 'utility' || $do === 'utility_disconnect' && $keys['open'] === true;
        if ($atMs > $this->untilMs) {
            return;
        }
        $this->isPanelMainOpened = $this->isPanelMainOpened || $do === 'panel_main' && $keys['closed'] === false;
        $acts = $event !== null ? [$event] : match ($do) {
            'utility_disconnect' => $this->disconnect($atMs, $keys['open'] === true),
            'utility' => $this->supply($atMs, Side::Normal, $keys),
            'emergency' => $this->supply($atMs, Side::Emergency, $keys),
            'fuel' => $this->fuel($atMs, $keys['blocked'] === true),
            'load' => $this->load($atMs, $keys),
            'panel_main' => $this->panelMain($atMs, $keys['closed'] === true),
            'generator_breaker' => [Hook::breaker($atMs, $keys['closed'] === true)],
            'generator_rotation' => [Hook::rotation($atMs, $keys['rotation'] === 'acb' ? 'acb' : 'abc')],
            'handle' => [Hook::handle($atMs, $keys['to'] === 'normal' ? Side::Normal : Side::Emergency)],
            default => [],
        };
        $scenario = $wire !== [] ? [$wire] : array_map(
            fn(ScenarioEvent $one): array => $this->said($one),
            array_values(array_filter($acts, static fn(Hook|ScenarioEvent $one): bool => $one instanceof ScenarioEvent)),
        );
        $this->acts[] = new BenchAct($atMs, $do, $keys, $acts, $scenario);
    }

    /** @return list<ScenarioEvent> */
    private function disconnect(int $atMs, bool $isOpen): array
    {
        $this->isDisconnected = $isOpen;
        $volts = $this->volts[Side::Normal->value];

        return [new ScenarioEvent($atMs, Verb::SetSource, Side::Normal, $isOpen ? array_map(static fn(): int => 0, $volts) : $volts)];
    }

    /**
     * @param array<string, mixed> $keys v (list), said (as given), hz, rotation, over_ms
     *
     * @return list<ScenarioEvent>
     */
    private function supply(int $atMs, Side $side, array $keys): array
    {
        $v = $this->remembered($side, $keys);
        $hz = is_int($keys['hz'] ?? null) || is_float($keys['hz'] ?? null) ? $keys['hz'] : null;
        $rotation = is_string($keys['rotation'] ?? null) ? $keys['rotation'] : null;
        $isValueGiven = $v !== null || $hz !== null;
        if (! is_int($keys['over_ms'] ?? null)) {
            return $isValueGiven || $rotation !== null ? [new ScenarioEvent($atMs, Verb::SetSource, $side, $v, $hz, $rotation)] : [];
        }

        return [
            ...($rotation === null ? [] : [new ScenarioEvent($atMs, Verb::SetSource, $side, rotation: $rotation)]),
            ...($isValueGiven ? [new ScenarioEvent($atMs, Verb::RampSource, $side, $v, $hz, overMs: $keys['over_ms'])] : []),
        ];
    }

    /**
     * A supply that is disconnected keeps in mind what it will be when it is closed again.
     *
     * @param array<string, mixed> $keys v (list), said (as given)
     *
     * @return null|list<float|int> what arrives at the switch; null: no change there
     */
    private function remembered(Side $side, array $keys): ?array
    {
        /** @var null|list<int|float> $v */
        $v = $keys['v'] ?? null;
        if ($v !== null) {
            $this->volts[$side->value] = $v;
            $this->said[$side->value] = $keys['said'] ?? $v;
        }

        return $side === Side::Normal && $this->isDisconnected ? null : $v;
    }

    /** @return list<ScenarioEvent> */
    private function fuel(int $atMs, bool $isBlocked): array
    {
        if ($isBlocked === $this->isFuelBlocked) {
            return [];
        }
        $this->isFuelBlocked = $isBlocked;

        return [new ScenarioEvent($atMs, Verb::CrankFailures, count: $isBlocked ? 1000 : 0)];
    }

    /**
     * @param array<string, mixed> $keys
     *
     * @return list<ScenarioEvent>
     */
    private function load(int $atMs, array $keys): array
    {
        $id = is_string($keys['load']) ? $keys['load'] : '';
        $this->kw[$id] = is_int($keys['kw']) || is_float($keys['kw']) ? $keys['kw'] : 0;

        return $this->isPanelMainClosed ? [new ScenarioEvent($atMs, Verb::SetLoad, load: $id, kw: $this->kw[$id])] : [];
    }

    /** @return list<ScenarioEvent> */
    private function panelMain(int $atMs, bool $isClosed): array
    {
        if ($isClosed === $this->isPanelMainClosed) {
            return [];
        }
        $this->isPanelMainClosed = $isClosed;
        $events = [];
        foreach ($this->kw as $id => $kw) {
            $events[] = new ScenarioEvent($atMs, Verb::SetLoad, load: (string) $id, kw: $isClosed ? $kw : 0);
        }

        return $events;
    }

    /** @return array<string, mixed> volts as they were given: one number, or one a phase */
    private function said(ScenarioEvent $event): array
    {
        $wire = $event->toArray();
        if ($event->v === null || $event->source === null) {
            return $wire;
        }
        $side = $event->source->value;

        return ['v' => $event->v === $this->volts[$side] ? $this->said[$side] : 0] + $wire;
    }
}
