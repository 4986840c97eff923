<?php

declare(strict_types=1);

namespace App\Stage;

/** How often load tests are asked for: the schools among practitioners, by the key of the core. */
final readonly class Schools
{
    public const WORDS = [
        'quarterly' => 'Quarterly', 'critical' => 'Critical, monthly', 'semi_annual' => 'Semi-annual', 'annual' => 'Annual',
    ];
}
