<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** Which loads of its own a house switches for a step. */
final readonly class OwnLoadStep
{
    /**
     * @param list<string> $on      to switch on now, in this order
     * @param list<string> $off     to switch off now, before the others come on
     * @param list<string> $running all that runs during the step
     * @param float        $shortKw what cannot be reached
     */
    public function __construct(
        public float $levelPct,
        public float $targetKw,
        public array $on,
        public array $off,
        public array $running,
        public float $kw,
        public float $shortKw,
    ) {}
}
