<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** A load that may be left off. */
final readonly class ShedLoad
{
    public const EVEN = 50;

    /** What weighs more is kept; without a weight of its own it is what its priority leaves of a hundred. */
    public int $weight;

    /**
     * @param int  $priority 1 is kept longest, to 99
     * @param bool $charges  charges the battery of an inverter: on that inverter it would feed itself
     */
    public function __construct(
        public LegLoad $load,
        int $priority = self::EVEN,
        public bool $mustRun = false,
        public bool $charges = false,
        ?int $weight = null,
    ) {
        $this->weight = $weight ?? 100 - $priority;
    }
}
