<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

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
use Escapement\Core\Simulation\EventSink;
use Escapement\Core\Simulation\FinalState;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Simulation;
use Escapement\Core\Simulation\Verb;

/** A bench as it moves: the simulation of the switch, and what meters show of it. Rule: docs/rules.md#bench-play. */
final class BenchMotion implements EventSink
{
    private const LOW_OIL_KPA = 140;
    private const HIGH_COOLANT_C = 105;
    private const LOW_BATTERY_V = 12;
    private const LOW_FUEL_PCT = 20;

    public readonly Simulation $simulation;
    public readonly BenchPanel $panel;
    public readonly ?GeneratorModel $generator;
    /** @var list<Event> in order */
    public array $events = [];
    public FinalState $state;
    public bool $isOverloaded = false;
    public bool $isStarved = false;
    private readonly LegSystem $legs;
    private readonly ?SlowThings $slow;
    private int $firedMs = 0;
    private LegCurrents $bus;
    private LegCurrents $carried;

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

    /** When something happens next by itself, in ms. */
    public function nextMs(): int
    {
        return min($this->simulation->nextMs(), $this->starvesMs());
    }

    /**
     * Does what is due and what hands do in one millisecond; nothing may be due before it.
     *
     * @param list<BenchAct> $acts
     *
     * @return ?ScenarioEvent the engine that died of its fuel, where it did
     */
    public function at(int $t, array $acts): ?ScenarioEvent
    {
        $isDue = $t === $this->starvesMs();
        $isTripped = false;
        foreach ($acts as $act) {
            $this->panel->take($act);
            array_map($this->simulation->inject(...), $act->acts);
            $isTripped = $isTripped || $act->do === 'engine_trip';
        }
        $trip = $isDue && $this->panel->fuelBlockedMs !== null && ! $isTripped
            ? new ScenarioEvent($t, Verb::EngineTrip, reason: 'fuel') : null;
        if ($trip !== null) {
            $this->isStarved = true;
            $this->simulation->inject($trip);
        }
        $this->simulation->advanceTo($t);
        $this->settle($t);

        return $trip;
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
        $bank = $this->bank();
        $onBus = $this->building() + ($this->in->isBankAtGenerator || ! $this->state->isBusLive ? [] : $bank);
        $carried = ! $isTurning ? [] : ($this->in->isBankAtGenerator ? $bank : [])
            + ($this->state->position === Side::Emergency->value ? $onBus : []);
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

    /** @return array<string, array{LegLoad, float}> what the live bus carries of the building, with the kVA of its start */
    private function building(): array
    {
        $on = [];
        foreach ($this->state->isBusLive ? $this->in->loads : [] as $load) {
            $kw = $this->panel->kw[$load->id];
            if ($kw > 0 && ! in_array($load->id, $this->state->shed, true)) {
                $known = $this->in->electrical[$load->id];
                $on["load $load->id"] = [new LegLoad($load->id, $kw, $known->connect, $known->pf), $known->startKva];
            }
        }

        return $on;
    }

    /** @return array<string, array{LegLoad, float}> the elements of the load bank that are switched on */
    private function bank(): array
    {
        $on = [];
        foreach ($this->in->elementsKw as $i => $kw) {
            if ($this->panel->elements[$i] ?? false) {
                $on["element $i"] = [new LegLoad("element $i", $kw, $this->allLegs(), 1.0), 0.0];
            }
        }

        return $on;
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

    /** @return array<string, mixed> what lamps and meters show in a millisecond that was played, by the keys of `bench_play` */
    public function sample(int $t): array
    {
        $dead = [array_fill(0, $this->legs->legs(), 0.0), 0.0];
        [$vNormal, $hzNormal] = $this->simulation->measured(Side::Normal, $t);
        [$vGenerator, $hzGenerator] = $this->atGenerator($t);
        [$vEmergency, $hzEmergency] = match (true) {
            $vGenerator === null => $this->simulation->measured(Side::Emergency, $t),
            $this->panel->isBreakerClosed => [$vGenerator, $hzGenerator],
            default => $dead,
        };
        [$vBus, $hzBus] = match ($this->state->position) {
            'normal' => [$vNormal, $hzNormal],
            'emergency' => [$vEmergency, $hzEmergency],
            default => $dead,
        };
        $isAuto = $this->simulation->state()->isAuto;
        $alarms = $this->alarms($isAuto, $hzGenerator);
        $isMobile = $this->in->plant->kind === PlantKind::Mobile;

        return [
            't_ms' => $t, 'position' => $this->state->position, 'moving' => $this->state->isMoving, 'engine' => $this->state->engine,
            'start_contact' => $this->state->startContact, 'test' => $this->state->test,
            'selector' => $isMobile ? null : ($isAuto ? 'auto' : 'off'), 'timers' => $this->timers($t),
            'lamps' => $this->lamps($isAuto, $alarms !== []),
            'alarms' => $alarms, 'v_normal' => $vNormal, 'v_emergency' => $vEmergency, 'v_bus' => $vBus, 'v_generator' => $vGenerator,
            'hz_normal' => $hzNormal, 'hz_emergency' => $hzEmergency, 'hz_bus' => $this->state->isBusLive ? $hzBus : 0.0,
            'hz_generator' => $hzGenerator, 'bus' => $this->power($this->bus, $vBus),
            'generator' => $vGenerator === null ? null : $this->power($this->carried, $vGenerator),
            'meter_kw' => array_map(
                fn(float $kw, int $leg): float => ($this->panel->reversed[$leg + 1] ?? false) ? -$kw : $kw,
                $this->bus->legKw(),
                array_keys($this->legs->angles),
            ),
            ...$this->engineGauges($t),
        ];
    }

    /** @return array{?list<float>, ?float} volts of each leg and hertz at its terminals; nulls without a set */
    private function atGenerator(int $t): array
    {
        if ($this->generator === null) {
            return [null, null];
        }
        [$v, $hz] = $this->simulation->atTerminals($t);
        [$vPart, $hzPart] = $this->generator->parts($t);

        return [array_map(static fn(float $one): float => $one * $vPart, $v), $hz * $hzPart];
    }

    /** @return array<string, bool> */
    private function lamps(bool $isAuto, bool $hasAlarm): array
    {
        return [
            'normal_available' => $this->state->isNormalGood, 'emergency_available' => $this->state->isEmergencyGood,
            'on_normal' => $this->state->position === 'normal', 'on_emergency' => $this->state->position === 'emergency',
            'engine_running' => $this->in->generator !== null && $this->engine()->turnsByItself(),
            'test' => $this->state->test !== 'none', 'not_in_auto' => ! $isAuto, 'alarm' => $hasAlarm,
        ];
    }

    /** @return array<string, null|float|int> all null without a set */
    private function engineGauges(int $t): array
    {
        $set = $this->in->generator;
        $metrics = $this->simulation->state()->metrics($t);

        return [
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
}
