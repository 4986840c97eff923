<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

/** A service that was done. */
final readonly class ServiceEntry
{
    /** @param ?float $engineH null: by the readings */
    public function __construct(public string $item, public int $day, public ?float $engineH) {}
}
