<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

/** Exercises of many switches in a range of days. Rule: docs/rules.md#exercise-clashes. */
final readonly class ClashInput
{
    /**
     * @param list<ClashSwitch> $switches
     * @param list<PlacedRun>   $runs     switch by switch, by time, at their own places
     */
    public function __construct(public array $switches, public array $runs, public int $stepMin, public int $searchDays) {}
}
