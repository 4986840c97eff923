<?php

declare(strict_types=1);

namespace Escapement\Core\Power\PowerFactor;

/** What a bank does to a generator. */
final readonly class OnGenerator
{
    public function __construct(
        public float $loadKvar,
        public float $leadingAllPct,
        public bool $lockedOut,
        public float $onKvar,
        public float $leadingKvar,
        public float $leadingPct,
        public ?float $resonanceOrder,
    ) {}
}
