<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\FaultCurrent;

/** What feeds a fault: its impedance per conductor at its terminals. Rule: docs/rules.md#fault-current. */
interface FaultSource
{
    /** Amperes at full load; null where the utility's letter does not tell. */
    public function ratedA(FaultCircuit $circuit): ?float;

    public function ohms(FaultCircuit $circuit): Impedance;

    /** Line-to-neutral over line-to-line current at the terminals of a split-phase source. */
    public function lnFactor(): float;
}
