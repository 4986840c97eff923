<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

/** The times and the coil of one device; which mean anything depends on its type. */
final readonly class DeviceTimes
{
    /**
     * @param float $pickPct below this a coil does not pull in
     * @param float $holdPct below this it lets go
     * @param int   $pickMs  coil on to contacts made; the last $travelMs of it all contacts are open
     * @param int   $dropMs  coil off to rest, likewise
     * @param int   $delayMs of a timer, as its dial really runs
     * @param int   $openMs  of a motor changeover: command to contacts of I or II open
     * @param int   $closeMs from 0 to contacts made
     */
    public function __construct(
        public Across $across,
        public float $pickPct = 85,
        public float $holdPct = 60,
        public int $pickMs = 1,
        public int $dropMs = 1,
        public int $travelMs = 1,
        public int $delayMs = 1,
        public int $openMs = 60,
        public int $closeMs = 400,
        public PhaseRelayDial $dial = new PhaseRelayDial(),
    ) {}
}
