<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

/** A measured interval beside the one that the circuit gives. */
final readonly class PanelTime
{
    public function __construct(public int $builtMs, public bool $agrees, public string $sentence) {}
}
