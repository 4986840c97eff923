<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

final readonly class Metrics
{
    /** @param list<array{from_ms: int, to_ms: int}> $outages */
    public function __construct(
        public int $busDeadMs,
        public array $outages,
        public int $transfersToEmergency,
        public int $transfersToNormal,
        public int $engineStarts,
        public int $engineRunMs,
        public int $engineLoadedMs,
        public int $nuisanceStarts,
        public int $sagsRidden,
        public int $startsAvoided,
        public int $returnResets,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'bus_dead_ms' => $this->busDeadMs,
            'outages' => $this->outages,
            'transfers_to_emergency' => $this->transfersToEmergency,
            'transfers_to_normal' => $this->transfersToNormal,
            'engine_starts' => $this->engineStarts,
            'engine_run_ms' => $this->engineRunMs,
            'engine_loaded_ms' => $this->engineLoadedMs,
            'nuisance_starts' => $this->nuisanceStarts,
            'sags_ridden' => $this->sagsRidden,
            'starts_avoided' => $this->startsAvoided,
            'return_resets' => $this->returnResets,
        ];
    }
}
