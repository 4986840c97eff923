<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** The drops of a split-phase run, in volts and in percent of each leg's or the line's voltage. Rule: docs/rules.md#voltage-drop. */
final readonly class LegDrop implements Drop
{
    public float $neutralA;
    public float $leg1DropV;
    public float $leg2DropV;
    public float $lineDropV;
    public float $leg1DropPct;
    public float $leg2DropPct;
    public float $lineDropPct;
    public float $leg1VEnd;
    public float $leg2VEnd;
    public float $lineVEnd;

    /** @param float $ohms of one conductor, one way */
    public function __construct(float $v, float $leg1A, float $leg2A, float $ohms, float $neutralOhms)
    {
        $this->neutralA = abs($leg1A - $leg2A);
        $this->leg1DropV = $leg1A * $ohms + ($leg1A - $leg2A) * $neutralOhms;
        $this->leg2DropV = $leg2A * $ohms + ($leg2A - $leg1A) * $neutralOhms;
        $this->lineDropV = ($leg1A + $leg2A) * $ohms;
        $this->leg1DropPct = 100 * $this->leg1DropV / ($v / 2);
        $this->leg2DropPct = 100 * $this->leg2DropV / ($v / 2);
        $this->lineDropPct = 100 * $this->lineDropV / $v;
        $this->leg1VEnd = $v / 2 - $this->leg1DropV;
        $this->leg2VEnd = $v / 2 - $this->leg2DropV;
        $this->lineVEnd = $v - $this->lineDropV;
    }

    public function percent(): float
    {
        return max($this->leg1DropPct, $this->leg2DropPct, $this->lineDropPct);
    }

    public function hasRise(): bool
    {
        return min($this->leg1DropV, $this->leg2DropV) < 0;
    }
}
