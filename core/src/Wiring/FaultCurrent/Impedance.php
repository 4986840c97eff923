<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** Resistance and reactance, in ohm. */
final readonly class Impedance
{
    public function __construct(public float $r = 0.0, public float $x = 0.0) {}

    /** Of a size, by its ratio of reactance to resistance. */
    public static function ofSize(float $z, float $xr): self
    {
        $r = $z / sqrt(1 + $xr ** 2);

        return new self($r, $xr * $r);
    }

    public function plus(self $other): self
    {
        return new self($this->r + $other->r, $this->x + $other->x);
    }

    public function times(float $factor): self
    {
        return new self($this->r * $factor, $this->x * $factor);
    }

    public function size(): float
    {
        return hypot($this->r, $this->x);
    }
}
