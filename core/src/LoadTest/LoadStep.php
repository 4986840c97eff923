<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A level that is held for a while, in percent of the base. */
final readonly class LoadStep
{
    public function __construct(public float $levelPct, public float $minutes) {}
}
