<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A row of the profile and what the readings say to it. */
final readonly class ProvedLevel
{
    /** @param null|'exhaust'|'load' $by null when it is not passed */
    public function __construct(
        public float $levelPct,
        public float $minutes,
        public bool $withLoad,
        public float $minutesAt,
        public float $longestMin,
        public ?string $by,
    ) {}
}
