<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

/** One mark of a test method, in its order, and the interval that it ends. */
final readonly class MarkStep
{
    /**
     * @param bool $isOptional it may be left out without leaving the run incomplete
     * @param ?int $holdMs     how long the bait may hold, for the mark that ends it
     */
    public function __construct(
        public MarkEvent $event,
        public bool $isOptional = false,
        public ?IntervalRule $interval = null,
        public ?int $holdMs = null,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'event' => $this->event->value,
            'rank' => $this->event->order(),
            'optional' => $this->isOptional,
            'interval' => $this->interval?->toArray(),
            'hold_ms' => $this->holdMs,
        ];
    }
}
