<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

/** How a feeder of one metal fills the raceway; all null where no size carries it. Rule: docs/rules.md#raceway-fill. */
final readonly class MetalFill
{
    public function __construct(
        public ?string $size = null,
        public ?string $egcSize = null,
        public ?float $areaIn2 = null,
        public ?float $fillPct = null,
        public bool $fits = false,
        public ?string $minTradeSize = null,
        public ?float $largestOdIn = null,
    ) {}
}
