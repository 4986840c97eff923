<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** What lies between the source and a point, one way. Rule: docs/rules.md#fault-current. */
final readonly class FaultPath
{
    public function __construct(public Impedance $line = new Impedance(), public Impedance $lineAndNeutral = new Impedance()) {}

    public function plus(FaultRun $run, FaultCurrentInput $in): self
    {
        $line = $run->ohms($in->isNec, $in->conductorC);

        return new self($this->line->plus($line), $this->lineAndNeutral->plus($line)->plus($run->neutralOhms($in->isNec, $in->conductorC)));
    }
}
