<?php

declare(strict_types=1);

namespace App\Device;

/** The clock of a bench: as fast as somebody sets it, and standing when paused. It never goes back. Rule: docs/rules.md#bench-live. */
final class BenchClock
{
    public const FASTEST = 60;

    private int $baseMonoMs;

    /** @param \Closure(): int $mono ms of a clock that nobody sets */
    public function __construct(private int $baseMs, private int $rate, private readonly \Closure $mono)
    {
        $this->baseMonoMs = ($mono)();
    }

    public function nowMs(): int
    {
        return $this->baseMs + (($this->mono)() - $this->baseMonoMs) * $this->rate;
    }

    public function rate(): int
    {
        return $this->rate;
    }

    /** @param int $rate 0 pauses, 1 to 60 */
    public function setRate(int $rate): void
    {
        $this->baseMs = $this->nowMs();
        $this->baseMonoMs = ($this->mono)();
        $this->rate = $rate;
    }

    /** Only while it is paused. */
    public function step(int $ms): void
    {
        $this->baseMs += $ms;
    }
}
