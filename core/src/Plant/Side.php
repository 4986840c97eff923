<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

/** The two sources of a switch, and the two places in which it can be closed. */
enum Side: string
{
    case Normal = 'normal';
    case Emergency = 'emergency';

    public function other(): self
    {
        return $this === self::Normal ? self::Emergency : self::Normal;
    }
}
