<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Simulation\Controller\TimerCut;
use Escapement\Core\Simulation\Controller\TimerName;

/** One run of a timer: ran out, cut short, or still running at the end. */
final readonly class TimerSpan
{
    /** @param ?TimerCut $cut null when it ran out or still runs */
    public function __construct(
        public TimerName $timer,
        public int $fromMs,
        public int $toMs,
        public int $durationMs,
        public bool $isOpen,
        public ?TimerCut $cut,
    ) {}

    public function hasRunOut(): bool
    {
        return ! $this->isOpen && $this->cut === null;
    }
}
