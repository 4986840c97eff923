<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** Two legs that share a neutral: their breakers, what flows, and what the neutral carries, all in amperes. */
final readonly class MultiwireBranch
{
    public function __construct(
        public string $id,
        public float $breakerA1,
        public float $breakerA2,
        public float $a1,
        public float $a2,
        public float $neutralA,
    ) {}
}
