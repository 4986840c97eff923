<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** The drop of a single or three-phase run, in volts. Rule: docs/rules.md#voltage-drop. */
final readonly class LineDrop implements Drop
{
    public float $dropV;
    public float $vEnd;
    private float $dropPct;

    /** @param float $ohms of one conductor, one way */
    public function __construct(bool $isThreePhase, float $v, float $amps, float $ohms)
    {
        $this->dropV = ($isThreePhase ? sqrt(3) : 2) * $amps * $ohms;
        $this->vEnd = $v - $this->dropV;
        $this->dropPct = 100 * $this->dropV / $v;
    }

    public function percent(): float
    {
        return $this->dropPct;
    }

    public function hasRise(): bool
    {
        return false;
    }
}
