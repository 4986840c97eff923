<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** Lets each event change the state and hands it to the sinks. The count tells the loop whether anything changed within a millisecond. */
final class Log
{
    public int $changes = 0;

    /** @var list<EventSink> */
    private readonly array $sinks;

    public function __construct(public readonly SystemState $state, EventSink ...$sinks)
    {
        $this->sinks = array_values($sinks);
    }

    public function add(Event $event): void
    {
        $this->changes++;
        $event->change($this->state);
        foreach ($this->sinks as $sink) {
            $sink->take($event);
        }
    }

    /** A change that is no event, such as a flag that goes up silently. */
    public function touch(): void
    {
        $this->changes++;
    }
}
