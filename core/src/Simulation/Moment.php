<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** Everything that happened within one millisecond, and how things stand after it. */
final readonly class Moment
{
    /** @param non-empty-list<Event> $events */
    public function __construct(public int $tMs, public array $events, public SystemState $state) {}
}
