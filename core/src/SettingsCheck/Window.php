<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

/** How long something may take on site, counted from a mark of the stopwatch; all null for what never comes. */
final readonly class Window
{
    public function __construct(
        public string $event,
        public string $from,
        public ?int $minMs,
        public ?int $nominalMs,
        public ?int $maxMs,
    ) {}

    /** Rule: docs/rules.md#expected-windows. The tolerance is a twentieth, and a second at least: a thumb is no relay. */
    public static function around(string $event, string $from, ?int $nominalMs, int $moreMs = 0): self
    {
        if ($nominalMs === null) {
            return new self($event, $from, null, null, null);
        }
        $tolMs = max(1000, intdiv($nominalMs + 19, 20));

        return new self($event, $from, max(0, $nominalMs - $tolMs), $nominalMs, $nominalMs + $tolMs + $moreMs);
    }

    /** @return array<string, int|string|null> */
    public function toArray(): array
    {
        return [
            'event' => $this->event,
            'from' => $this->from,
            'min_ms' => $this->minMs,
            'nominal_ms' => $this->nominalMs,
            'max_ms' => $this->maxMs,
        ];
    }
}
