<?php

declare(strict_types=1);

namespace App\Device;

use Illuminate\Support\Carbon;

/** How the daemon of the bench is, as it said itself a moment ago. */
final readonly class BenchHealth
{
    public function __construct(
        public Carbon $since,
        public Carbon $saidAt,
        public int $benches,
        public int $clients,
        public float $memoryMb,
    ) {}

    /** @return array{since: int, said_at: int, benches: int, clients: int, memory_mb: float} times in s since 1970 */
    public function toArray(): array
    {
        return [
            'since' => $this->since->getTimestamp(), 'said_at' => $this->saidAt->getTimestamp(), 'benches' => $this->benches,
            'clients' => $this->clients, 'memory_mb' => round($this->memoryMb, 1),
        ];
    }

    /** @param array<mixed> $told */
    public static function fromArray(array $told): self
    {
        $number = static fn(string $key): float => is_numeric($told[$key] ?? null) ? (float) $told[$key] : 0.0;

        return new self(
            Carbon::createFromTimestamp((int) $number('since')),
            Carbon::createFromTimestamp((int) $number('said_at')),
            (int) $number('benches'),
            (int) $number('clients'),
            $number('memory_mb'),
        );
    }
}
