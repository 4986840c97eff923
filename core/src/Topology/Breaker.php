<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

final readonly class Breaker
{
    public function __construct(
        public string $id,
        public int|float $ratingA,
        public int $poles,
        public bool $isClosed,
        public int|float|null $aicKa = null,
    ) {}
}
