<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

/** The hour meter as somebody read it. */
final readonly class HourReading
{
    /** @param ?float $newMeterH what a new meter began with on that day */
    public function __construct(public int $day, public float $hours, public ?float $newMeterH) {}

    public function base(): float
    {
        return $this->newMeterH ?? $this->hours;
    }
}
