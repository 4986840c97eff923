<?php

declare(strict_types=1);

namespace Escapement\Core\Controller;

use Escapement\Core\Rehearsal\Log;
use Escapement\Core\Sensing\Signal;

/** Runs while its condition holds, restarts from zero whenever it was broken, acts on expiry. Rule: timing §5. */
final class Timer
{
    public bool $isRunning = false;
    public int $dueMs = Signal::NEVER;
    private int $startedMs = 0;
    private int $durationMs = 0;

    public function __construct(private readonly string $name, private readonly Log $log) {}

    /** @param array<string, mixed> $why */
    public function start(int $t, int $durationMs, array $why = []): void
    {
        $this->isRunning = true;
        $this->startedMs = $t;
        $this->durationMs = $durationMs;
        $this->dueMs = $t + $durationMs;
        $this->log->add($t, 'timer_started', ['timer' => $this->name, 'duration_ms' => $durationMs], $why);
    }

    /** @param array<string, mixed> $why */
    public function cancel(int $t, array $why): void
    {
        if (! $this->isRunning) {
            return;
        }
        $this->clear();
        $this->log->add($t, 'timer_cancelled', [
            'timer' => $this->name, 'duration_ms' => $this->durationMs, 'elapsed_ms' => $t - $this->startedMs,
        ], $why);
    }

    /** True in the millisecond in which it runs out. */
    public function expires(int $t): bool
    {
        if ($t < $this->dueMs) {
            return false;
        }
        $this->clear();
        $this->log->add($t, 'timer_expired', ['timer' => $this->name, 'duration_ms' => $this->durationMs]);

        return true;
    }

    private function clear(): void
    {
        $this->isRunning = false;
        $this->dueMs = Signal::NEVER;
    }
}
