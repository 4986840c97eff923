<?php

declare(strict_types=1);

namespace App\Drawing\Panel;

/** An outgoing way on the bus bars. */
final readonly class WayMark
{
    /** @param string $connects L1 … L3L1, or 3P */
    public function __construct(public string $name, public string $connects, public bool $isShed, public ?float $breakerA) {}
}
