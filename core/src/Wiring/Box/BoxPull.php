<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

/** Conductors from one raceway of a box to another. */
final readonly class BoxPull
{
    /** @param ?float $spacingIn between the two raceways; null: not given */
    public function __construct(
        public BoxRaceway $from,
        public BoxRaceway $to,
        public string $largest,
        public bool $isSplice = false,
        public ?float $spacingIn = null,
    ) {}
}
