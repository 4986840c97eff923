<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** What drives one coil. Rule: docs/rules.md#relay-check. */
final readonly class Rung
{
    /** @param string $coil a device, or Q1.I, Q1.0, Q1.II of a motor changeover */
    public function __construct(public string $id, public string $coil, public string $supply, public Expression $when) {}
}
