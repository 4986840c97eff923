<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

/** A stretch of time in which the second source carries more than it gives. */
final readonly class OverloadSpan
{
    /** @param float $mostKw the highest load within it */
    public function __construct(public int $fromMs, public int $toMs, public float $mostKw) {}

    /** @return array{from_ms: int, to_ms: int, most_kw: float} */
    public function toArray(): array
    {
        return ['from_ms' => $this->fromMs, 'to_ms' => $this->toMs, 'most_kw' => $this->mostKw];
    }
}
