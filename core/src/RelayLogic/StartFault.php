<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** What a single fault does to the call of an engine. Rule: docs/rules.md#relay-check. */
final readonly class StartFault
{
    /** @param 'not_called'|'runs_unasked' $effect */
    public function __construct(public string $fault, public string $start, public string $effect) {}
}
