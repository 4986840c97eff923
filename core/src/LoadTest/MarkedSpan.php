<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A stretch of a load test between two marks. */
final readonly class MarkedSpan
{
    /** @param ?float $toS null while it lasts */
    public function __construct(public TestMark $kind, public float $fromS, public ?float $toS, public ?float $levelPct = null) {}

    public function minutes(): ?float
    {
        return $this->toS === null ? null : ($this->toS - $this->fromS) / 60;
    }
}
