<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

/** Conductors of one size in a box. */
final readonly class BoxConductors
{
    public function __construct(public string $size, public int $qty) {}
}
