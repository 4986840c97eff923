<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

final readonly class RehearsalResult
{
    /** @param list<Event> $events */
    public function __construct(public array $events, public Metrics $metrics, public FinalState $final) {}

    /**
     * The output of `rehearse`. Rule: timing §8.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $because = new Because();

        return [
            'events' => array_map(
                static fn(Event $event): array => ['t_ms' => $event->tMs, 'kind' => $event->kind] + $event->keys + ['because' => $because->sentence($event)],
                $this->events,
            ),
            'metrics' => $this->metrics->toArray(),
            'final' => $this->final->toArray(),
        ];
    }
}
