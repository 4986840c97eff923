<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** One piece of a shore cord: its AWG and feet. */
final readonly class CordPiece
{
    public function __construct(public string $size, public float $lengthFt) {}
}
