<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/** A load of a panel of two legs. */
final readonly class JumperLoad
{
    /** @param 'L1'|'L1L2'|'L2' $connect */
    public function __construct(public string $id, public float $kw, public string $connect) {}
}
