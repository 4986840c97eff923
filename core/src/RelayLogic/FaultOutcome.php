<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** Whether a single fault lets both sources close. Rule: docs/rules.md#relay-check. */
final readonly class FaultOutcome
{
    public function __construct(public string $fault, public bool $bothClosed, public bool $mechanicalSaves) {}
}
