<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

use Escapement\Core\Wiring\FaultCurrent\FaultRun;

/** A feeder of the schedule as a fault sees it: what it joins, and its conductors. */
final readonly class FaultFeeder
{
    public function __construct(public string $from, public string $to, public FaultRun $run) {}
}
