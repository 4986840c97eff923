<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

use Escapement\Core\Simulation\Event\TimerCancelled;
use Escapement\Core\Simulation\Event\TimerExpired;
use Escapement\Core\Simulation\Event\TimerStarted;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\Signal;

/** Runs while its condition holds, restarts from zero whenever it was broken, acts on expiry. Rule: docs/rules.md#controller. */
final class Timer
{
    public bool $isRunning = false;
    public int $dueMs = Signal::NEVER;
    private int $startedMs = 0;
    private int $durationMs = 0;

    public function __construct(private readonly TimerName $name, private readonly Log $log) {}

    public function start(int $t, int $durationMs, bool $isForTest = false, bool $isMinimumRun = false): void
    {
        $this->isRunning = true;
        $this->startedMs = $t;
        $this->durationMs = $durationMs;
        $this->dueMs = $t + $durationMs;
        $this->log->add(new TimerStarted($t, $this->name, $durationMs, $isForTest, $isMinimumRun));
    }

    public function cancel(int $t, TimerCut $cut): void
    {
        if (! $this->isRunning) {
            return;
        }
        $this->clear();
        $this->log->add(new TimerCancelled($t, $this->name, $this->durationMs, $t - $this->startedMs, $cut));
    }

    /** True in the millisecond in which it runs out. */
    public function expires(int $t): bool
    {
        if ($t < $this->dueMs) {
            return false;
        }
        $this->clear();
        $this->log->add(new TimerExpired($t, $this->name, $this->durationMs));

        return true;
    }

    private function clear(): void
    {
        $this->isRunning = false;
        $this->dueMs = Signal::NEVER;
    }
}
