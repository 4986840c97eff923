<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** One step of one device that time will bring. */
final class PendingMove
{
    /** Since when a phase relay has lost a phase or its order, which trips it sooner. */
    public ?int $lostSinceMs = null;

    /**
     * @param int $from value before the step
     * @param int $to   value after it
     * @param int $aim  where the device is bound: another aim is another move
     */
    public function __construct(
        public readonly int $from,
        public readonly int $to,
        public readonly int $aim,
        public readonly int $sinceMs,
        public readonly int $lengthMs,
        public readonly bool $isSlow,
        public readonly int $lossTripMs = 0,
    ) {}

    public function isToward(int $from, int $aim): bool
    {
        return $this->from === $from && $this->aim === $aim;
    }

    public function dueMs(): int
    {
        $due = $this->sinceMs + $this->lengthMs;

        return $this->lostSinceMs === null ? $due : min($due, $this->lostSinceMs + $this->lossTripMs);
    }
}
