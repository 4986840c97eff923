<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** An environment in which the circuit never comes to rest. Rule: docs/rules.md#relay-check. */
final readonly class HuntingCondition
{
    /** @param list<string> $pressed */
    public function __construct(public ?string $selector, public \stdClass $health, public array $pressed, public bool $handleIn) {}
}
