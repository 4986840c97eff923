<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\LegLoad;

/** What is known of a demand: one of the three ways at least. Rule: docs/rules.md#demand. */
final readonly class DemandInput
{
    /**
     * @param null|list<LegLoad>                             $schedule each already times its demand factor
     * @param 'calculated'|'largest'|'measured'|'schedule'   $prefer   one that is given
     */
    public function __construct(
        public LegSystem $system,
        public ?CalculatedInput $calculated = null,
        public ?MeasuredInput $measured = null,
        public ?array $schedule = null,
        public string $prefer = 'largest',
        public float $imbalanceLimitPct = 20.0,
    ) {}
}
