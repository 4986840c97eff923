<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A mark of a load test that counts. */
final readonly class MarkedMoment
{
    /** @param float $tS from the first mark or reading of the test */
    public function __construct(public TestMark $kind, public float $tS, public ?float $levelPct = null) {}
}
