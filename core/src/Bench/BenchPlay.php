<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Power\LegCurrents;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Event\EngineFired;
use Escapement\Core\Simulation\Event\HandleRefused;
use Escapement\Core\Simulation\EventSink;
use Escapement\Core\Simulation\FinalState;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Simulation;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\Verb;

/** Plays a bench: what the switch does is the simulation, nothing else; what meters show is added. Rule: docs/rules.md#bench-play. */
final class BenchPlay implements EventSink
{
    private const LOW_OIL_KPA = 140;
    private const HIGH_COOLANT_C = 105;
    private const LOW_BATTERY_V = 12;
    private const LOW_FUEL_PCT = 20;
    private const SEVERE_DIP = 0.25;

    private readonly Simulation $simulation;
    private readonly LegSystem $legs;
    private readonly BenchPanel $panel;
    private readonly ?GeneratorModel $generator;
    private readonly ?SlowThings $slow;
    /** @var list<Event> */
    private array $events = [];
    private int $firedMs = 0;
    private FinalState $state;
    private LegCurrents $bus;
    private LegCurrents $carried;
    private bool $isOverloaded = false;

    public function __construct(private readonly BenchInput $in)
    {
        $this->simulation = new Simulation($in->plant, $in->settings, $in->loads, Side::Normal, $this);
        $this->legs = $in->legs();
        $this->panel = new BenchPanel();
        foreach ($in->loads as $load) {
            $this->panel->kw[$load->id] = (float) $load->kw;
        }
        $this->generator = $in->generator === null ? null : new GeneratorModel($in->generator);
        $this->slow = $in->generator === null ? null : new SlowThings($in->generator);
        $this->state = $this->simulation->finalState(0);
        $this->bus = $this->carried = new LegCurrents($this->legs, []);
    }

    public function take(Event $event): void
    {
        $this->events[] = $event;
        if ($event instanceof EngineFired) {
            $this->firedMs = $event->tMs;
        }
    }

    public function play(): CalculationResult
    {
        $acts = $this->in->script->acts;
        $samples = $scenario = [];
        $next = $sample = 0;
        $isStarved = false;
        do {
            $starvesMs = $this->starvesMs();
            $t = min(
                $this->simulation->nextMs(),
                $acts[$next]->atMs ?? PHP_INT_MAX,
                $starvesMs,
                $this->in->sampleAtMs[$sample] ?? PHP_INT_MAX,
                $this->in->untilMs,
            );
            $isTripped = false;
            while (isset($acts[$next]) && $acts[$next]->atMs === $t) {
                $this->panel->take($acts[$next]);
                array_map($this->simulation->inject(...), $acts[$next]->acts);
                array_push($scenario, ...$acts[$next]->scenario);
                $isTripped = $isTripped || $acts[$next]->do === 'engine_trip';
                $next++;
            }
            if ($t === $starvesMs && $this->panel->fuelBlockedMs !== null && ! $isTripped) {
                $isStarved = true;
                $trip = new ScenarioEvent($t, Verb::EngineTrip, reason: 'fuel');
                $this->simulation->inject($trip);
                $scenario[] = $trip->toArray();
            }
            $this->simulation->advanceTo($t);
            $this->settle($t);
            if ($t === ($this->in->sampleAtMs[$sample] ?? null)) {
                $samples[] = $this->sample($t);
                $sample++;
            }
        } while ($t < $this->in->untilMs);

        return $this->result($samples, $scenario, $isStarved);
    }

    /** @return list<Event> what happened while it was played, in order */
    public function happened(): array
    {
        return $this->events;
    }

    /** When the engine dies of its blocked fuel, as things stand. */
    private function starvesMs(): int
    {
        if ($this->panel->fuelBlockedMs === null || $this->in->generator === null || ! $this->engine()->turnsByItself()) {
            return PHP_INT_MAX;
        }

        return max($this->panel->fuelBlockedMs, $this->firedMs) + $this->in->generator->starveMs;
    }

    private function engine(): EngineState
    {
        return EngineState::from($this->state->engine ?? 'stopped');
    }

    /** What is supplied at the end of the millisecond, and what the set carries of it. */
    private function settle(int $t): void
    {
        $this->slow?->until($t);
        $this->state = $this->simulation->finalState($t);
        $isTurning = $this->in->plant->engine !== null && $this->engine()->turnsByItself();
        $onBus = $onGenerator = [];
        foreach ($this->in->loads as $load) {
            $kw = $this->panel->kw[$load->id];
            if ($this->state->isBusLive && $kw > 0 && ! in_array($load->id, $this->state->shed, true)) {
                $known = $this->in->electrical[$load->id];
                $onBus["load $load->id"] = [new LegLoad($load->id, $kw, $known->connect, $known->pf), $known->startKva];
            }
        }
        foreach ($this->in->elementsKw as $i => $kw) {
            $element = [new LegLoad("element $i", $kw, $this->allLegs(), 1.0), 0.0];
            if (! ($this->panel->elements[$i] ?? false)) {
                continue;
            }
            if ($this->in->isBankAtGenerator) {
                $onGenerator["element $i"] = $element;
            } elseif ($this->state->isBusLive) {
                $onBus["element $i"] = $element;
            }
        }
        $carried = ! $isTurning ? [] : $onGenerator + ($this->state->position === Side::Emergency->value ? $onBus : []);
        $this->bus = $this->currents($onBus);
        $this->carried = $this->currents($carried);
        if ($this->generator === null || $this->slow === null || $this->in->generator === null) {
            return;
        }
        $this->generator->carry(
            $t,
            $isTurning,
            array_map(static fn(array $one): array => [$one[0]->kva(), $one[1]], $carried),
            $this->carried->kw,
            $this->carried->kvar,
        );
        $this->slow->stand(
            $this->engine(),
            $this->panel->isChargerOn && $this->state->isBusLive,
            $this->carried->kw / $this->in->generator->ratedKw,
        );
        $this->isOverloaded = $this->isOverloaded || Tolerance::exceeds($this->carried->kw, $this->in->generator->ratedKw);
    }

    /** @param array<string, array{LegLoad, float}> $items */
    private function currents(array $items): LegCurrents
    {
        return new LegCurrents($this->legs, array_values(array_column($items, 0)));
    }

    /** A bank is balanced over all legs. */
    private function allLegs(): string
    {
        return $this->legs->connections()[0];
    }

    /** @return array<string, mixed> */
    private function sample(int $t): array
    {
        $n = $this->legs->legs();
        [$vNormal, $hzNormal] = $this->simulation->measured(Side::Normal, $t);
        [$vEmergency, $hzEmergency] = $this->simulation->measured(Side::Emergency, $t);
        $vGenerator = $hzGenerator = null;
        if ($this->generator !== null) {
            [$v, $hz] = $this->simulation->atTerminals($t);
            [$vPart, $hzPart] = $this->generator->parts($t);
            $vGenerator = array_map(static fn(float $one): float => $one * $vPart, $v);
            $hzGenerator = $hz * $hzPart;
            [$vEmergency, $hzEmergency] = $this->panel->isBreakerClosed ? [$vGenerator, $hzGenerator] : [array_fill(0, $n, 0.0), 0.0];
        }
        [$vBus, $hzBus] = match ($this->state->position) {
            'normal' => [$vNormal, $hzNormal],
            'emergency' => [$vEmergency, $hzEmergency],
            default => [array_fill(0, $n, 0.0), 0.0],
        };
        $isAuto = $this->simulation->state()->isAuto;
        $alarms = $this->alarms($isAuto, $hzGenerator);
        $metrics = $this->simulation->state()->metrics($t);
        $isMobile = $this->in->plant->kind === PlantKind::Mobile;
        $set = $this->in->generator;

        return [
            't_ms' => $t, 'position' => $this->state->position, 'moving' => $this->state->isMoving, 'engine' => $this->state->engine,
            'start_contact' => $this->state->startContact, 'test' => $this->state->test,
            'selector' => $isMobile ? null : ($isAuto ? 'auto' : 'off'), 'timers' => $this->timers($t),
            'lamps' => [
                'normal_available' => $this->state->isNormalGood, 'emergency_available' => $this->state->isEmergencyGood,
                'on_normal' => $this->state->position === 'normal', 'on_emergency' => $this->state->position === 'emergency',
                'engine_running' => $set !== null && $this->engine()->turnsByItself(), 'test' => $this->state->test !== 'none',
                'not_in_auto' => ! $isAuto, 'alarm' => $alarms !== [],
            ],
            'alarms' => $alarms, 'v_normal' => $vNormal, 'v_emergency' => $vEmergency, 'v_bus' => $vBus, 'v_generator' => $vGenerator,
            'hz_normal' => $hzNormal, 'hz_emergency' => $hzEmergency, 'hz_bus' => $this->state->isBusLive ? $hzBus : 0.0,
            'hz_generator' => $hzGenerator, 'bus' => $this->power($this->bus, $vBus),
            'generator' => $vGenerator === null ? null : $this->power($this->carried, $vGenerator),
            'meter_kw' => array_map(
                fn(float $kw, int $leg): float => ($this->panel->reversed[$leg + 1] ?? false) ? -$kw : $kw,
                $this->bus->legKw(),
                array_keys($this->legs->angles),
            ),
            'oil_kpa' => $this->slow?->oilKpa($this->speed($t)), 'oil_c' => $this->slow?->heat['oil_c'],
            'coolant_c' => $this->slow?->heat['coolant_c'], 'exhaust_c' => $this->slow?->heat['exhaust_c'],
            'battery_v' => $this->slow?->batteryV(), 'soc' => $this->slow?->soc, 'fuel_pct' => $this->slow?->fuelPct(),
            'fuel_gal_h' => $this->slow?->rate['gal_h'], 'fuel_btuh' => $this->slow?->rate['btuh'],
            'run_h' => $set === null ? null : $set->runH + $metrics->engineRunMs / 3_600_000,
            'starts' => $set === null ? null : $set->starts + $metrics->engineStarts,
        ];
    }

    /** The speed of the engine without its load, as a part of nominal. */
    private function speed(int $t): float
    {
        return $this->simulation->atTerminals($t)[1] / $this->in->plant->emergency->nominalHz;
    }

    /** @return list<array{timer: string, remaining_ms: int}> */
    private function timers(int $t): array
    {
        $timers = [];
        foreach (TimerName::cases() as $name) {
            $running = $this->simulation->state()->timers[$name->value] ?? null;
            if ($running !== null) {
                $timers[] = ['timer' => $name->value, 'remaining_ms' => $running->tMs + $running->durationMs - $t];
            }
        }

        return $timers;
    }

    /**
     * @param list<float> $volts by leg
     *
     * @return array{kw: float, kvar: float, pf: ?float, a: list<float>}
     */
    private function power(LegCurrents $currents, array $volts): array
    {
        $kva = $currents->kva();

        return [
            'kw' => $currents->kw, 'kvar' => $currents->kvar, 'pf' => $kva > 0 ? $currents->kw / $kva : null,
            'a' => array_map(fn(float $a, float $v): float => $v > 0 ? $a * $this->legs->vLn / $v : 0.0, $currents->legA, $volts),
        ];
    }

    /** @return list<string> */
    private function alarms(bool $isAuto, ?float $hzGenerator): array
    {
        $slow = $this->slow;
        $set = $this->in->generator;
        $engine = $this->engine();
        $lowV = self::LOW_BATTERY_V * ($set->nominalV ?? 0) / 12;
        $isStarting = $engine === EngineState::Cranking || $engine === EngineState::RunningUp;
        $oilKpa = $slow?->oilKpa($this->speed($this->state->tMs));

        return array_keys(array_filter([
            'lockout' => $engine === EngineState::LockedOut,
            'low_oil' => $engine === EngineState::Running && $oilKpa !== null && Tolerance::isBelow($oilKpa, self::LOW_OIL_KPA),
            'high_coolant' => $slow !== null && Tolerance::exceeds($slow->heat['coolant_c'], self::HIGH_COOLANT_C),
            'low_battery' => $slow !== null && ! $isStarting && Tolerance::isBelow($slow->batteryV(), $lowV),
            'low_fuel' => $slow !== null && $slow->fuelPct() !== null && Tolerance::isBelow($slow->fuelPct(), self::LOW_FUEL_PCT),
            'overload' => $set !== null && Tolerance::exceeds($this->carried->kw, $set->ratedKw),
            'breaker_open' => ! $this->panel->isBreakerClosed,
            'not_in_auto' => ! $isAuto,
            'door_open' => $this->panel->isDoorOpen,
        ]));
    }

    /**
     * @param list<array<string, mixed>> $samples
     * @param list<array<string, mixed>> $scenario
     */
    private function result(array $samples, array $scenario, bool $isStarved): CalculationResult
    {
        $dip = $this->generator->worstDip ?? 0.0;
        $findings = new Findings();
        foreach (array_keys(array_filter([
            'handle-under-voltage' => $this->simulation->handledUnderVoltage,
            'overload' => $this->isOverloaded,
            'dip-severe' => Tolerance::exceeds($dip, self::SEVERE_DIP),
            'panel-main-is-no-test' => $this->in->script->isNoTest(),
            'left-not-in-auto' => ! $this->simulation->state()->isAuto,
            'breaker-left-open' => ! $this->panel->isBreakerClosed,
            'locked-out' => $this->state->engine === EngineState::LockedOut->value,
            'ct-left-reversed' => in_array(true, $this->panel->reversed, true),
            'fuel-starved' => $isStarved,
            'handle-refused' => array_filter($this->events, static fn(Event $one): bool => $one instanceof HandleRefused) !== [],
        ])) as $id) {
            $findings->raise("bench-play/$id");
        }
        $working = new Working();
        if ($this->generator !== null) {
            $working->add('Deepest dip of one step', 'kVA that comes on / (the same + rated kVA / x), in percent', 100 * $dip, '%');
        }

        return new CalculationResult([
            'events' => $this->told(), 'metrics' => $this->simulation->state()->metrics($this->in->untilMs)->toArray(),
            'final' => $this->state->toArray(), 'samples' => $samples, 'scenario' => $scenario, 'pure' => $this->in->script->isPure,
        ], $findings->worstFirst(), $working->lines);
    }

    /** @return list<array<string, mixed>> by time, kind and keys */
    private function told(): array
    {
        $names = SourceNames::of($this->in->plant);
        $rows = array_map(static fn(Event $event): array => [
            [$event->tMs, $event->kind()->value, implode('|', array_map(
                static fn(mixed $key): string => is_scalar($key) && ! is_string($key) ? (string) json_encode($key)
                    : (is_string($key) ? $key : ''),
                $event->keys(),
            ))],
            ['t_ms' => $event->tMs, 'kind' => $event->kind()->value] + $event->keys() + ['because' => $event->because($names)],
        ], $this->events);
        usort($rows, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($rows, 1);
    }
}
