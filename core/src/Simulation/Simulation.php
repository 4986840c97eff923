<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\Controller\Controller;
use Escapement\Core\Simulation\Controller\Mechanism;
use Escapement\Core\Simulation\Controller\MobileRelay;
use Escapement\Core\Simulation\Controller\SwitchController;
use Escapement\Core\Simulation\Engine\EngineRun;
use Escapement\Core\Simulation\Engine\GeneratorBreaker;
use Escapement\Core\Simulation\Event\HandleRefused;
use Escapement\Core\Simulation\Loads\LoadBus;
use Escapement\Core\Simulation\Sensing\Signal;
use Escapement\Core\Simulation\Sensing\SourceSensing;

/**
 * A plant with its controller in time, exact to the millisecond: every timer, every reset, every second without power.
 *
 * Rule: docs/rules.md#millisecond. Event driven: it goes from one due time to the next, whatever lies between. There are a dozen things
 * that can be due, each known to its owner, so the next one is the least of a dozen numbers; a queue would need
 * rescheduling on every cancellation. Events may be injected while it runs: the units are fixed, nothing depends on what
 * comes later. A rehearsal injects a script; the bench injects what hands do.
 */
final class Simulation
{
    /** A millisecond in which this many things happen one after the other is a rule that feeds itself. */
    private const MOST_ROUNDS = 1000;

    public readonly SystemState $initial;
    /** The handle was moved while a leg of either side had voltage; only the simulation sets it. */
    public bool $handledUnderVoltage = false;

    private readonly Signal $normalSignal;
    private readonly Signal $emergencySignal;
    private readonly SourceSensing $normal;
    private readonly SourceSensing $emergency;
    private readonly ?EngineRun $engine;
    private readonly Mechanism $mechanism;
    private readonly Controller $controller;
    private readonly LoadBus $bus;
    private readonly Log $log;
    private readonly GeneratorBreaker $breaker;
    /** @var list<Hook|ScenarioEvent> injected, in order; those before $nextEvent have been played */
    private array $script = [];
    private int $nextEvent = 0;
    private int $exerciseDueMs;
    /** The last millisecond that was played, -1 before the first. */
    private int $playedMs = -1;

    /** @param list<Load> $loads */
    public function __construct(
        private readonly Plant $plant,
        private readonly Settings $settings,
        array $loads = [],
        Side $initial = Side::Normal,
        EventSink ...$sinks,
    ) {
        $startsOnEmergency = $initial === Side::Emergency;
        $this->normalSignal = new Signal($plant->normal, $settings->normal, true);
        $this->emergencySignal = new Signal($plant->emergency, $settings->emergency, $plant->engine === null || $startsOnEmergency);
        $isBusLive = ($startsOnEmergency ? $this->emergencySignal : $this->normalSignal)->isLive(0);
        $this->initial = new SystemState($plant, $initial, $isBusLive);
        $this->log = new Log(clone $this->initial, ...$sinks);
        $this->normal = new SourceSensing(Side::Normal, $this->normalSignal, $settings->normal, $this->log);
        $this->emergency = new SourceSensing(Side::Emergency, $this->emergencySignal, $settings->emergency, $this->log);
        $this->mechanism = new Mechanism($initial, $settings->moveMs(), $this->log);
        $this->breaker = new GeneratorBreaker(
            new Signal($plant->emergency, $settings->emergency, $startsOnEmergency),
            $this->emergencySignal,
        );
        $this->engine = $plant->engine === null ? null : new EngineRun($plant->engine, $this->breaker, $this->log);
        if ($this->engine !== null && $startsOnEmergency) {
            $this->engine->assumeRunning();
            $this->engine->isStartedByHand = $plant->kind === PlantKind::Mobile;
            $this->engine->isStartContactClosed = $plant->kind === PlantKind::Standby;
        }
        $this->controller = $plant->kind === PlantKind::Mobile
            ? new MobileRelay($settings->transferDelayMs, $this->emergency, $this->mechanism, $this->log)
            : new SwitchController($settings, $this->normal, $this->emergency, $this->mechanism, $this->engine, $this->log);
        $this->bus = new LoadBus($loads, $settings->loadShed, $this->normalSignal, $this->emergencySignal, $initial, $this->log);
        $this->exerciseDueMs = $settings->exercise->firstAtMs ?? Signal::NEVER;
    }

    /** Adds an event that is to come. Events of one millisecond act in the order in which they are injected. */
    public function inject(Hook|ScenarioEvent $event): void
    {
        $last = $this->script === [] ? 0 : $this->script[count($this->script) - 1]->atMs;
        if ($event->atMs < $last || $event->atMs <= $this->playedMs) {
            throw new \LogicException("An event at $event->atMs ms comes too late: $this->playedMs ms has been played.");
        }
        $this->script[] = $event;
    }

    /** Plays everything that is due up to and including that millisecond. */
    public function advanceTo(int $ms): void
    {
        $t = $this->playedMs < 0 ? 0 : $this->nextDueMs($this->playedMs);
        while ($t <= $ms) {
            $this->millisecond($t);
            $t = $this->nextDueMs($t);
        }
        $this->playedMs = max($this->playedMs, $ms);
    }

    /** The next millisecond in which something is due: nothing changes before it. */
    public function nextMs(): int
    {
        return $this->playedMs < 0 ? 0 : $this->nextDueMs($this->playedMs);
    }

    /**
     * What a meter would show at one side of the switch, behind the breaker of the set.
     *
     * @return array{list<float>, float} volts by phase, hertz
     */
    public function measured(Side $side, int $t): array
    {
        return ($side === Side::Normal ? $this->normalSignal : $this->emergencySignal)->measured($t);
    }

    /** @return array{list<float>, float} at the terminals of the set, before its breaker: volts by phase, hertz */
    public function atTerminals(int $t): array
    {
        return $this->breaker->terminals->measured($t);
    }

    /** How everything stands after what has been played; a caller that keeps it clones it. */
    public function state(): SystemState
    {
        return $this->log->state;
    }

    public function finalState(int $untilMs): FinalState
    {
        return new FinalState(
            $untilMs,
            $this->mechanism->closedOn->value ?? 'off',
            $this->mechanism->isMoving(),
            $this->engine?->state->value,
            $this->plant->kind->hasStartContact() ? ($this->engine?->isStartContactClosed === true ? 'closed' : 'open') : null,
            $this->controller->test()->value,
            $this->normal->isDeclaredGood,
            $this->emergency->isDeclaredGood,
            $this->bus->isLive,
            $this->bus->shed(),
        );
    }

    /** The order of what happens within one millisecond is docs/rules.md#millisecond, letter by letter. */
    private function millisecond(int $t): void
    {
        $this->playedMs = $t;
        $this->playScript($t);                                                                                // (a)
        $round = 0;
        do {
            if ($round++ > self::MOST_ROUNDS) {
                throw new \LogicException("Nothing settles at $t ms.");
            }
            $before = $this->log->changes;
            $this->engine?->step($t);                                                                         // (b)
            $this->normal->look($t);                                                                          // (c)
            $this->emergency->look($t);
            $closed = $this->mechanism->complete($t, $this->normal->isDeclaredGood, $this->emergency->isDeclaredGood); // (d)
            if ($closed !== null) {
                $this->controller->closedOn($closed);
                $this->bus->closed($closed);
            }
            $this->controller->decide($t);                                                                    // (e)
        } while ($before !== $this->log->changes);
        $this->bus->settle($t, $this->mechanism->closedOn);                                                   // (f)
    }

    private function nextDueMs(int $t): int
    {
        return max($t + 1, min(
            $this->script[$this->nextEvent]->atMs ?? Signal::NEVER,
            $this->exerciseDueMs,
            $this->engine->dueMs ?? Signal::NEVER,
            $this->normal->lostDueMs,
            $this->emergency->lostDueMs,
            $this->normalSignal->hasWakes ? $this->normalSignal->nextWakeMs($t) : Signal::NEVER,
            $this->emergencySignal->hasWakes ? $this->emergencySignal->nextWakeMs($t) : Signal::NEVER,
            $this->mechanism->dueMs,
            $this->controller->nextDueMs(),
            $this->bus->nextDueMs(),
        ));
    }

    private function playScript(int $t): void
    {
        while (isset($this->script[$this->nextEvent]) && $this->script[$this->nextEvent]->atMs <= $t) {
            $this->act($t, $this->script[$this->nextEvent++]);
        }
        $exercise = $this->settings->exercise;
        if ($exercise !== null && $t >= $this->exerciseDueMs) {
            $this->exerciseDueMs += $exercise->everyMs;
            $this->controller->exercise($t, $exercise->withLoad, $exercise->forMs);
        }
    }

    private function act(int $t, Hook|ScenarioEvent $event): void
    {
        if ($event instanceof Hook) {
            $this->actByHand($t, $event);

            return;
        }
        match ($event->do) {
            Verb::SetSource => $this->signalOf($event)->set($t, $event->v, $event->hz, $event->rotation),
            Verb::RampSource => $this->signalOf($event)->ramp($t, $event->v, $event->hz, $event->overMs),
            Verb::CrankFailures => $this->engine?->failNextCranks($event->count),
            Verb::EngineTrip => $this->engine?->trip($t, $event->reason),
            Verb::EngineReset => $this->engine?->reset($t),
            Verb::StartGenerator => $this->runByHand(true),
            Verb::StopGenerator => $this->runByHand(false),
            Verb::TestStart => $this->controller->startTest($t, $event->withLoad, $event->forMs),
            Verb::TestStop => $this->controller->stopTest($t),
            Verb::Selector => $this->controller->select($t, $event->to),
            Verb::SetLoad => $this->bus->setLoad($event->load, $event->kw),
        };
    }

    private function actByHand(int $t, Hook $hook): void
    {
        if ($hook->isBreakerClosed !== null) {
            $this->breaker->operate($t, $hook->isBreakerClosed);
        }
        if ($hook->rotation !== null) {
            $this->emergencySignal->set($t, null, null, $hook->rotation);
        }
        if ($hook->lever === null) {
            return;
        }
        if ($this->log->state->isAuto || $this->mechanism->isMoving() || $this->mechanism->closedOn === $hook->lever) {
            $this->log->add(new HandleRefused($t));

            return;
        }
        $hasVoltage = $this->normalSignal->hasVoltage($t) || $this->emergencySignal->hasVoltage($t);
        $this->handledUnderVoltage = $this->handledUnderVoltage || $hasVoltage;
        $this->mechanism->byHand($t, $hook->lever);
        $this->controller->closedOn($hook->lever);
        $this->bus->closed($hook->lever);
    }

    private function runByHand(bool $isOn): void
    {
        if ($this->engine !== null) {
            $this->engine->isStartedByHand = $isOn;
        }
    }

    private function signalOf(ScenarioEvent $event): Signal
    {
        return $event->source === Side::Emergency ? $this->emergencySignal : $this->normalSignal;
    }
}
