<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A signed load test: how high it went, and what came of it. */
final readonly class ClosedTest
{
    /** @param float $topPct the highest level it asked for */
    public function __construct(public int $id, public string $verdict, public float $topPct) {}
}
