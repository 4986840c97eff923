<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Plant\Side;

/** One line of the script. Which of the fields are set depends on the verb; the reader has checked it. */
final readonly class ScenarioEvent
{
    /** @param null|list<int|float> $v one value a phase, always as many as the source has */
    public function __construct(
        public int $atMs,
        public Verb $do,
        public ?Side $source = null,
        public ?array $v = null,
        public int|float|null $hz = null,
        public ?string $rotation = null,
        public int $overMs = 0,
        public int $count = 0,
        public string $reason = 'trip',
        public bool $withLoad = false,
        public ?int $forMs = null,
        public string $to = '',
        public string $load = '',
        public int|float $kw = 0,
    ) {}

    /** @return array<string, mixed> as on the wire */
    public function toArray(): array
    {
        $said = ['at_ms' => $this->atMs, 'do' => $this->do->value];
        $source = ['source' => $this->source?->value, 'v' => $this->v, 'hz' => $this->hz];

        return $said + array_filter(match ($this->do) {
            Verb::SetSource => $source + ['rotation' => $this->rotation],
            Verb::RampSource => $source + ['over_ms' => $this->overMs],
            Verb::CrankFailures => ['count' => $this->count],
            Verb::EngineTrip => ['reason' => $this->reason],
            Verb::TestStart => ['with_load' => $this->withLoad, 'for_ms' => $this->forMs],
            Verb::Selector => ['to' => $this->to],
            Verb::SetLoad => ['load' => $this->load, 'kw' => $this->kw],
            Verb::EngineReset, Verb::StartGenerator, Verb::StopGenerator, Verb::TestStop => [],
        }, static fn(mixed $value): bool => $value !== null);
    }

    /** The same, counted from a point in time that lies $ms earlier. */
    public function later(int $ms): self
    {
        return new self(
            $this->atMs + $ms,
            $this->do,
            $this->source,
            $this->v,
            $this->hz,
            $this->rotation,
            $this->overMs,
            $this->count,
            $this->reason,
            $this->withLoad,
            $this->forMs,
            $this->to,
            $this->load,
            $this->kw,
        );
    }
}
