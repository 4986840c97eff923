<?php

declare(strict_types=1);

namespace App\Stage\Season;

/** One candidate's season. */
final readonly class SeasonRow
{
    /** @param array<string, int> $metrics as counted by the core */
    public function __construct(
        public int $place,
        public string $name,
        private array $metrics,
        public int $outages,
        public int|float|null $fuelLitres,
    ) {}

    public function darkMs(): int
    {
        return $this->metrics['bus_dead_ms'];
    }

    public function starts(): int
    {
        return $this->metrics['engine_starts'];
    }

    public function nuisanceStarts(): int
    {
        return $this->metrics['nuisance_starts'];
    }

    public function transfers(): int
    {
        return $this->metrics['transfers_to_emergency'] + $this->metrics['transfers_to_normal'];
    }

    public function engineHours(): float
    {
        return $this->metrics['engine_run_ms'] / 3_600_000;
    }
}
