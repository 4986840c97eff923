<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** Where a load step is in a recording; its powers where somebody knows them. */
final readonly class GivenStep
{
    public function __construct(public float $tMs, public ?float $fromKw = null, public ?float $toKw = null) {}
}
