<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** What a circuit settles to in one environment. Rule: docs/rules.md#relay-check. */
final readonly class TruthRow
{
    public \stdClass $health;

    /**
     * @param array<string, bool> $health by supply
     * @param list<RelayState>    $cold   from power-up by own moves only
     * @param list<RelayState>    $any    by whatever history
     */
    public function __construct(public ?string $selector, array $health, public array $cold, public array $any)
    {
        $this->health = (object) $health;
    }

    /** A supply that never fails is not in the table. */
    public function isHealthy(string $supply): bool
    {
        return ($this->health->{$supply} ?? true) === true;
    }
}
