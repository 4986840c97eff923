<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

/** Sets that share a main, a street or a feeder. */
final readonly class ClashGroup
{
    public function __construct(public string $id, public int $most, public int $gapS) {}
}
