<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Simulation\EventList;
use Escapement\Core\Simulation\EventSink;
use Escapement\Core\Simulation\Metrics;
use Escapement\Core\Simulation\Simulation;

/** A scenario played on a simulation: its script injected, and the time run to its end. One object plays once. */
final readonly class Rehearsal
{
    private Simulation $simulation;

    public function __construct(private Scenario $scenario, EventSink ...$sinks)
    {
        $this->simulation = new Simulation($scenario->plant, $scenario->settings, $scenario->loads, $scenario->initial, ...$sinks);
    }

    public static function play(Scenario $scenario): RehearsalResult
    {
        $list = new EventList();
        $rehearsal = new self($scenario, $list);
        $metrics = $rehearsal->run();
        $final = $rehearsal->simulation->finalState($scenario->untilMs);

        return new RehearsalResult($scenario->plant, $rehearsal->simulation->initial, $list->events, $metrics, $final);
    }

    /** Plays to the end; events go to the sinks given at construction. */
    public function run(): Metrics
    {
        foreach ($this->scenario->events as $event) {
            $this->simulation->inject($event);
        }
        $this->simulation->advanceTo($this->scenario->untilMs);

        return $this->simulation->state()->metrics($this->scenario->untilMs);
    }
}
