<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** From when to when a lane stood in one state. */
final readonly class Span
{
    public function __construct(public int $fromMs, public int $toMs, public string $state) {}
}
