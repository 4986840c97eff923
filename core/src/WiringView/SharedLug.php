<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** A lug with two conductors or more. Rule: docs/rules.md#wiring-view. */
final readonly class SharedLug
{
    /**
     * @param list<string> $conductors
     * @param list<string> $legs
     */
    public function __construct(public string $terminal, public array $conductors, public array $legs, public bool $sameLeg) {}
}
