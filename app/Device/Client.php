<?php

declare(strict_types=1);

namespace App\Device;

use React\Socket\ConnectionInterface;

/** What the daemon remembers of one that is connected: how fast it asks, when it was heard last, how much it does not take. */
final class Client
{
    private const A_SECOND = 200;
    private const IDLE_MS = 120_000;
    private const HALF_MS = 10_000;
    public const MOST_UNSENT = 1_048_576;

    private int $secondMs = 0;
    private int $asked = 0;
    public int $unsent = 0;
    private ?int $halfSinceMs = null;

    public function __construct(
        public readonly ConnectionInterface $connection,
        public readonly int $bench,
        public readonly ModbusFrames|LineSession $speaks,
        private int $heardMs,
    ) {}

    public function heard(int $nowMs): void
    {
        $this->heardMs = $nowMs;
        if ($this->speaks instanceof ModbusFrames && $this->speaks->isHalf()) {
            $this->halfSinceMs ??= $nowMs;
        } else {
            $this->halfSinceMs = null;
        }
    }

    /** One more request; false when there are too many in this second. */
    public function mayAsk(int $nowMs): bool
    {
        if ($nowMs - $this->secondMs >= 1000) {
            $this->secondMs = $nowMs;
            $this->asked = 0;
        }

        return ++$this->asked <= self::A_SECOND;
    }

    public function isGone(int $nowMs): bool
    {
        return $nowMs - $this->heardMs > self::IDLE_MS && ! ($this->speaks instanceof LineSession && $this->speaks->isSubscribed())
            || $this->halfSinceMs !== null && $nowMs - $this->halfSinceMs > self::HALF_MS;
    }
}
