<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

/** A device on its yoke, by the largest conductor on it. */
final readonly class BoxDevice
{
    public function __construct(public string $largest, public int $gangs = 1) {}
}
