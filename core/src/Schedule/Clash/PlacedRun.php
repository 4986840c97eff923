<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

/** One exercise at the place where it stands now. */
final class PlacedRun
{
    public int $s;
    public int $e;

    /**
     * @param int $switch its place in the list
     * @param int $wallS  the begin on the wall, counted as if it were UTC
     */
    public function __construct(public readonly int $switch, int $s, public readonly int $lengthS, public readonly int $wallS)
    {
        $this->s = $s;
        $this->e = $s + $lengthS;
    }

    public function moveTo(int $s): void
    {
        $this->s = $s;
        $this->e = $s + $this->lengthS;
    }
}
