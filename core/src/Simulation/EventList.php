<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

final class EventList implements EventSink
{
    /** @var list<Event> */
    public array $events = [];

    public function take(Event $event): void
    {
        $this->events[] = $event;
    }
}
