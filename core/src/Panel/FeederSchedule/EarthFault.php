<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

/** An earth fault at the end of a way, from one source, and what clears it. */
final readonly class EarthFault
{
    /** @param 'magnetic'|'none'|'rcd'|'thermal' $method */
    public function __construct(public float $earthFaultA, public float $sustainedA, public string $method, public ?float $tripS) {}
}
