<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** A settled state in the words of the trade. Rule: docs/rules.md#relay-check. */
final readonly class RelayState
{
    /**
     * @param list<string> $closed power contacts
     * @param list<string> $picked devices
     * @param list<string> $lit    lamps
     * @param list<string> $start  starts that are closed
     */
    public function __construct(public array $closed, public array $picked, public array $lit, public array $start) {}
}
