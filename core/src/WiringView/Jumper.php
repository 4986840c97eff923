<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** A jumper between two control terminals that chooses an option. Rule: docs/rules.md#wiring-view. */
final readonly class Jumper
{
    public function __construct(public string $a, public string $b, public bool $fitted, public bool $wanted) {}
}
