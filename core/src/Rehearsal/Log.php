<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

/** Hands events to the sinks. The count tells the loop whether anything changed within a millisecond. */
final class Log
{
    public int $changes = 0;

    /** @var list<EventSink> */
    private readonly array $sinks;

    public function __construct(EventSink ...$sinks)
    {
        $this->sinks = array_values($sinks);
    }

    /**
     * @param array<string, mixed> $keys
     * @param array<string, mixed> $why
     */
    public function add(int $t, string $kind, array $keys = [], array $why = []): void
    {
        $this->changes++;
        $event = new Event($t, $kind, $keys, $why);
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
