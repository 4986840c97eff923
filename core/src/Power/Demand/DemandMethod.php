<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/**
 * How a dwelling's demand is calculated: optional for a new or an existing one, or the long standard method. Rule:
 * docs/rules.md#demand.
 */
enum DemandMethod: string
{
    case Ten = 'ten';
    case Eight = 'eight';
    case Standard = 'standard';
}
