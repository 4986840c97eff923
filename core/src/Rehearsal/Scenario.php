<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\ScenarioEvent;

/** Everything a rehearsal needs: the plant, the sheet, and what happens. Rule: docs/rules.md#settings-templates. */
final readonly class Scenario
{
    /**
     * @param list<Load>          $loads
     * @param list<ScenarioEvent> $events in the order in which they happen, times from the start
     * @param ?float              $sourceKw what the second source gives; the timing rules do not know it, Overload does
     */
    public function __construct(
        public Plant $plant,
        public Settings $settings,
        public array $events,
        public int $untilMs,
        public array $loads = [],
        public Side $initial = Side::Normal,
        public ?float $sourceKw = null,
    ) {}
}
