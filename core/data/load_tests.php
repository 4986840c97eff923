<?php

declare(strict_types=1);

// The profiles of load tests: steps as level in percent and minutes, by fuel where diesel differs; M is the time that the class asks
// for. All but the house runs are commonly required: confirm them in the adopted edition and with the authority.
// Rule: docs/rules.md#load-test-plan.

return [
    'monthly_building' => ['diesel' => [[30, 30]], 'other' => [[0, 30]], 'every_min' => 5, 'early_min' => null],
    'building_acceptance' => ['steps' => [[0, 90]], 'every_min' => 15, 'early_min' => 5, 'basis' => 'site'],
    'acceptance' => ['steps' => [[30, 30], [50, 30], [100, 60]], 'every_min' => 15, 'early_min' => 5, 'basis' => 'site'],
    'triennial' => ['diesel' => [[30, 'M']], 'other' => [[0, 'M']], 'every_min' => 15, 'early_min' => null],
    'triennial_annual' => ['steps' => [[30, 'M-60'], [75, 60]], 'every_min' => 15, 'early_min' => null],
    'annual_supplemental' => ['steps' => [[50, 30], [75, 60]], 'every_min' => 15, 'early_min' => null],
    'quarterly_house' => ['steps' => [[0, 20]], 'every_min' => 5, 'early_min' => null],
    'semi_annual' => ['steps' => [[30, 15], [50, 15], [75, 30]], 'every_min' => 5, 'early_min' => null],
    'custom' => ['steps' => [], 'every_min' => 5, 'early_min' => null],
];
