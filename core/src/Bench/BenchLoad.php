<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

/** A load or an element of a bank, as the legs feel it. */
final readonly class BenchLoad
{
    /** @param float $startKva when it comes on; 0 where it starts as it runs */
    public function __construct(public string $id, public string $connect, public float $pf, public float $startKva) {}
}
