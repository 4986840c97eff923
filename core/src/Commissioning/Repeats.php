<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

/** The same interval timed more than once: what is usual, and how far apart. In whole milliseconds. */
final readonly class Repeats
{
    public int $count;
    /** Of an even number the earlier of the two in the middle, which somebody measured. */
    public ?int $medianMs;
    public ?int $spreadMs;

    /** @param list<int> $measuredMs */
    public function __construct(array $measuredMs)
    {
        sort($measuredMs);
        $this->count = count($measuredMs);
        $this->medianMs = $measuredMs[intdiv($this->count - 1, 2)] ?? null;
        $this->spreadMs = $measuredMs === [] ? null : $measuredMs[$this->count - 1] - $measuredMs[0];
    }
}
