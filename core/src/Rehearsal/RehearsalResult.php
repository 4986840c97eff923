<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\FinalState;
use Escapement\Core\Simulation\Metrics;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\StateTimeline;
use Escapement\Core\Simulation\SystemState;

final readonly class RehearsalResult
{
    /** @param list<Event> $events */
    public function __construct(
        private Plant $plant,
        private SystemState $initial,
        public array $events,
        public Metrics $metrics,
        public FinalState $final,
    ) {}

    /** The story of the run up to that time; later events are left out. */
    public function timeline(int $untilMs): StateTimeline
    {
        return new StateTimeline($this->initial, $this->events, $untilMs);
    }

    public function names(): SourceNames
    {
        return SourceNames::of($this->plant);
    }

    /**
     * The output of `rehearse`. Rule: docs/rules.md#rehearsal.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $names = $this->names();
        $events = [];
        foreach ($this->events as $event) { // a season through the command line has a quarter of a million of them
            $events[] = ['t_ms' => $event->tMs, 'kind' => $event->kind()->value] + $event->keys() + ['because' => $event->because($names)];
        }

        return ['events' => $events, 'metrics' => $this->metrics->toArray(), 'final' => $this->final->toArray()];
    }
}
