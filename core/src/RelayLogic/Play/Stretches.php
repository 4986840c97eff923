<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** When something was so, from end of millisecond to end of millisecond. */
final class Stretches
{
    private ?int $openMs = null;

    /** @var list<array{from_ms: int, to_ms: int}> */
    private array $spans = [];

    public function see(int $t, bool $isSo): void
    {
        if ($isSo) {
            $this->openMs ??= $t;
        } elseif ($this->openMs !== null) {
            $this->spans[] = ['from_ms' => $this->openMs, 'to_ms' => $t];
            $this->openMs = null;
        }
    }

    /** @return list<array{from_ms: int, to_ms: int}> what is still so lasts until $t */
    public function until(int $t): array
    {
        $open = $this->openMs === null || $this->openMs === $t ? [] : [['from_ms' => $this->openMs, 'to_ms' => $t]];

        return [...$this->spans, ...$open];
    }

    public function totalMs(int $t): int
    {
        return array_sum(array_map(static fn(array $span): int => $span['to_ms'] - $span['from_ms'], $this->until($t)));
    }

    public function longestMs(int $t): int
    {
        return max([0, ...array_map(static fn(array $span): int => $span['to_ms'] - $span['from_ms'], $this->until($t))]);
    }
}
