<?php

declare(strict_types=1);

namespace App\Drawing\Wiring;

/** A place on the sheet, in pixels. */
final readonly class Point
{
    public function __construct(public float $x, public float $y) {}
}
