<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** What a rehearsal cost. Encodes itself, so that the many outages of a season are spelled out one candidate at a time. */
final readonly class Metrics implements \JsonSerializable
{
    /** @param list<int> $outagesMs when the load bus went dark and live again, in turn: arrays of arrays would not fit a season */
    public function __construct(
        public int $busDeadMs,
        public array $outagesMs,
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
            'outages' => array_map(
                static fn(array $pair): array => ['from_ms' => $pair[0], 'to_ms' => $pair[1]],
                array_chunk($this->outagesMs, 2),
            ),
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

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return $this->toArray();
    }
}
