<?php

declare(strict_types=1);

namespace App\Drawing\Strip;

/** One lane of the timing strip. It draws from the canvas's place downwards and ends with endLane(). */
interface StripLane
{
    public function draw(StripCanvas $canvas): void;
}
