<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Split;

/** The service conductors, all of one kind: AWG or kcmil, and the temperature of their terminals. */
final readonly class SplitConductor
{
    public function __construct(public string $material, public string $size, public string $neutralSize, public int $terminalC) {}
}
