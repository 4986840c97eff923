<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

/** A box inside, inches. */
final readonly class BoxSize
{
    public function __construct(public float $widthIn, public float $heightIn, public float $depthIn) {}

    public function volumeIn3(): float
    {
        return $this->widthIn * $this->heightIn * $this->depthIn;
    }
}
