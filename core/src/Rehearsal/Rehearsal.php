<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Controller\Controller;
use Escapement\Core\Controller\Mechanism;
use Escapement\Core\Controller\MobileRelay;
use Escapement\Core\Controller\SwitchController;
use Escapement\Core\Engine\EngineRun;
use Escapement\Core\Loads\LoadBus;
use Escapement\Core\Sensing\Signal;
use Escapement\Core\Sensing\Watch;
use Escapement\Core\Site\Kind;
use Escapement\Core\Site\Side;

/**
 * Plays one scenario out, exactly: every timer, every reset, every second without power. Rule: timing §7.
 *
 * Event driven: from one due time to the next, whatever lies between. There are a dozen things that can be due, each
 * known to its owner, so the next one is the least of a dozen numbers; a queue would have to be told of every change
 * of mind instead. One object plays once.
 */
final class Rehearsal
{
    /** A millisecond in which this many things happen one after the other is a rule that feeds itself. */
    private const MOST_ROUNDS = 1000;

    private readonly Signal $normalSignal;
    private readonly Signal $emergencySignal;
    private readonly Watch $normal;
    private readonly Watch $emergency;
    private readonly ?EngineRun $engine;
    private readonly Mechanism $mechanism;
    private readonly Controller $controller;
    private readonly LoadBus $bus;
    private readonly Log $log;
    private readonly MetricsTally $tally;
    private int $nextEvent = 0;
    private int $exerciseDueMs = Signal::NEVER;

    public function __construct(private readonly Scenario $scenario, EventSink ...$sinks)
    {
        $plant = $scenario->plant;
        $settings = $scenario->settings;
        $startsOnEmergency = $scenario->initial === Side::Emergency;
        $this->normalSignal = $this->signal(Side::Normal, true);
        $this->emergencySignal = $this->signal(Side::Emergency, $plant->engine === null || $startsOnEmergency);
        $isBusLive = ($startsOnEmergency ? $this->emergencySignal : $this->normalSignal)->isLive(0);
        $this->tally = new MetricsTally($scenario->initial, $plant->engine !== null, $isBusLive);
        $this->log = new Log($this->tally, ...$sinks);
        $this->normal = new Watch(Side::Normal, $this->normalSignal, $settings->normal, $this->log);
        $this->emergency = new Watch(Side::Emergency, $this->emergencySignal, $settings->emergency, $this->log);
        $this->mechanism = new Mechanism($scenario->initial, $settings->moveMs(), $this->log);
        $this->engine = $plant->engine === null ? null : new EngineRun($plant->engine, $this->emergencySignal, $this->log);
        if ($this->engine !== null && $startsOnEmergency) {
            $this->engine->assumeRunning();
            $this->engine->isStartedByHand = $plant->kind === Kind::Mobile;
            $this->engine->isStartContactClosed = $plant->kind === Kind::Standby;
        }
        $this->controller = $plant->kind === Kind::Mobile
            ? new MobileRelay($settings->transferDelayMs, $this->emergency, $this->mechanism, $this->log)
            : new SwitchController($settings, $this->normal, $this->emergency, $this->mechanism, $this->engine, $this->log);
        $kwUsed = [];
        foreach ($scenario->events as $event) {
            if ($event->do === Verb::SetLoad) {
                $kwUsed[] = $event->kw;
            }
        }
        $this->bus = new LoadBus($scenario->loads, $settings->loadShed, $kwUsed, $this->normalSignal, $this->emergencySignal, $scenario->initial, $this->log);
        $this->exerciseDueMs = $settings->exercise->firstAtMs ?? Signal::NEVER;
    }

    public static function play(Scenario $scenario): RehearsalResult
    {
        $list = new EventList();
        $rehearsal = new self($scenario, $list);
        $metrics = $rehearsal->run();

        return new RehearsalResult($list->events, $metrics, $rehearsal->finalState());
    }

    /** Plays to the end; events go to the sinks given at construction. */
    public function run(): Metrics
    {
        $t = 0;
        do {
            $this->millisecond($t);
            $t = $this->nextDueMs($t);
        } while ($t <= $this->scenario->untilMs);

        return $this->tally->close($this->scenario->untilMs);
    }

    public function finalState(): FinalState
    {
        return new FinalState(
            $this->scenario->untilMs,
            $this->mechanism->closedOn->value ?? 'off',
            $this->mechanism->isMoving(),
            $this->engine?->state->value,
            $this->scenario->plant->kind->hasStartContact() ? ($this->engine?->isStartContactClosed ? 'closed' : 'open') : null,
            $this->controller->test()->value,
            $this->normal->isDeclaredGood,
            $this->emergency->isDeclaredGood,
            $this->bus->isLive,
            $this->bus->shed(),
        );
    }

    /** The order of what happens within one millisecond is the rule of timing §7, letter by letter. */
    private function millisecond(int $t): void
    {
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
            $this->scenario->events[$this->nextEvent]->atMs ?? Signal::NEVER,
            $this->exerciseDueMs,
            $this->engine->dueMs ?? Signal::NEVER,
            $this->normal->lostDueMs,
            $this->emergency->lostDueMs,
            $this->normalSignal->nextWakeMs($t),
            $this->emergencySignal->nextWakeMs($t),
            $this->mechanism->dueMs,
            $this->controller->nextDueMs(),
            $this->bus->nextDueMs(),
        ));
    }

    private function playScript(int $t): void
    {
        while (isset($this->scenario->events[$this->nextEvent]) && $this->scenario->events[$this->nextEvent]->atMs <= $t) {
            $this->act($t, $this->scenario->events[$this->nextEvent++]);
        }
        $exercise = $this->scenario->settings->exercise;
        if ($exercise !== null && $t >= $this->exerciseDueMs) {
            $this->exerciseDueMs += $exercise->everyMs;
            $this->controller->exercise($t, $exercise->withLoad, $exercise->forMs);
        }
    }

    private function act(int $t, ScenarioEvent $event): void
    {
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

    private function signal(Side $side, bool $atNominal): Signal
    {
        $volts = [];
        $hertz = [];
        foreach ($this->scenario->events as $event) {
            if ($event->source === $side) {
                array_push($volts, ...($event->v ?? []));
                if ($event->hz !== null) {
                    $hertz[] = $event->hz;
                }
            }
        }

        return new Signal($this->scenario->plant->source($side), $this->scenario->settings->sensing($side), $atNominal, $volts, $hertz);
    }
}
