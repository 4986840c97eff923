<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What a profile proves: a level held without a break, or simply a run with load. */
final readonly class ProofRow
{
    public function __construct(public float $levelPct, public float $minutes, public bool $withLoad) {}
}
