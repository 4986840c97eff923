<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** An environment with a good source and no source on the load. Rule: docs/rules.md#relay-check. */
final readonly class DeadCondition
{
    public function __construct(public ?string $selector, public \stdClass $health) {}
}
