<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** A load of a panel of two legs. */
final readonly class JumperLoad
{
    /** @param string $connect L1, L2, or both as L1L2 */
    public function __construct(public string $id, public float $kw, public string $connect) {}

    public function isOnOneLeg(): bool
    {
        return $this->connect !== 'L1L2';
    }
}
