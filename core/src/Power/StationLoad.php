<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** What hangs on a battery station. */
final readonly class StationLoad
{
    /** @param float $duty share of the time in which it runs, 0 to 1 */
    public function __construct(public float $kw, public float $duty = 1.0) {}
}
