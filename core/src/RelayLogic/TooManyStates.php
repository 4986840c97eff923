<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** The search was given up at its limit: nothing is proved, neither good nor bad. */
final class TooManyStates extends \RuntimeException
{
    public function __construct(public readonly int $most)
    {
        parent::__construct("Not proved: the circuit has over $most states.");
    }
}
