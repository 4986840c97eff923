<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Season;

/** A disturbance that the candidates did not all take alike. */
final readonly class Differing implements \JsonSerializable
{
    /** @param list<string> $packed one a candidate, by OutcomeTally */
    public function __construct(public int $index, public int $atMs, private array $packed) {}

    /** @return list<array{engine_starts: int, transfers_to_emergency: int, transfers_to_normal: int, bus_dead_ms: int}> one a candidate */
    public function outcomes(): array
    {
        return array_map(OutcomeTally::outcome(...), $this->packed);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['index' => $this->index, 'at_ms' => $this->atMs, 'outcomes' => $this->outcomes()];
    }
}
