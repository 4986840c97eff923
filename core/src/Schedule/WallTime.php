<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** What a time on the wall comes to. */
final readonly class WallTime
{
    /**
     * @param int  $utcS    seconds since 1970
     * @param bool $isGap   the clock goes over it; the offset before the change was taken
     * @param bool $isTwice the clock shows it twice; the first was taken
     */
    public function __construct(public int $utcS, public bool $isGap, public bool $isTwice) {}
}
