<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Engine;

use Escapement\Core\Simulation\Sensing\Signal;

/** Between the terminals of the set and what the switch senses: open, the set runs and nobody knows. Rule: docs/rules.md#bench-play. */
final class GeneratorBreaker
{
    private bool $isClosed = true;

    public function __construct(public readonly Signal $terminals, private readonly Signal $sensed) {}

    /** Closing during a run-up joins the ramp that is running. */
    public function operate(int $t, bool $isClosed): void
    {
        $this->isClosed = $isClosed;
        if ($isClosed) {
            $this->terminals->volts->settle($t);
            $this->terminals->hertz->settle($t);
            $this->sensed->follow($t, $this->terminals);
        } else {
            $this->sensed->setDead($t);
        }
    }

    public function runUp(int $t, int $overMs): void
    {
        foreach ($this->signals() as $signal) {
            $signal->runUp($t, $overMs);
        }
    }

    public function setNominal(int $t): void
    {
        foreach ($this->signals() as $signal) {
            $signal->setNominal($t);
        }
    }

    public function setDead(int $t): void
    {
        foreach ($this->signals() as $signal) {
            $signal->setDead($t);
        }
    }

    /** @return list<Signal> */
    private function signals(): array
    {
        return $this->isClosed ? [$this->terminals, $this->sensed] : [$this->terminals];
    }
}
