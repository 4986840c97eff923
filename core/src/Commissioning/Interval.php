<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\SettingsCheck\Window;

final readonly class Interval
{
    public function __construct(
        public string $event,
        public MarkEvent $from,
        public MarkEvent $to,
        public ?int $measuredMs,
        public Window $window,
        public IntervalVerdict $verdict,
        public ?string $diagnosis,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'event' => $this->event, 'from' => $this->from->value, 'to' => $this->to->value, 'measured_ms' => $this->measuredMs,
            'min_ms' => $this->window->minMs, 'nominal_ms' => $this->window->nominalMs, 'max_ms' => $this->window->maxMs,
            'verdict' => $this->verdict->value, 'diagnosis' => $this->diagnosis,
        ];
    }
}
