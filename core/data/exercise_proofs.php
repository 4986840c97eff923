<?php

declare(strict_types=1);

// What each kind of run proves; and how often each school asks for it, in months. Rule: docs/rules.md#exercise-value.

$all = ['no_load_low_speed', 'no_load_rated', 'with_load', 'building_load', 'load_bank', 'four_hour', 'outage'];
$measured = ['building_load', 'load_bank', 'four_hour'];
$transferred = ['with_load', 'building_load', 'outage'];

return [
    'proofs' => [
        'starts' => $all,
        'rated_voltage' => array_slice($all, 1),
        'transfers' => $transferred,
        'carries_building' => $transferred,
        'measured_under_load' => $measured,
        'carries_rating' => ['load_bank'],
        'cooling_at_load' => $measured,
        'fuel_at_load' => $measured,
        'clears_wet_stacking' => ['load_bank', 'four_hour'],
        'endurance' => ['four_hour'],
        'senses_outage' => ['outage'],
        'return_sequence' => $transferred,
        'loads_ride_through' => ['outage'],
    ],
    'intervals' => [
        'critical' => ['building_load' => 1, 'load_bank' => 12, 'four_hour' => 36, 'outage' => 12],
        'quarterly' => ['building_load' => 3, 'load_bank' => 12, 'outage' => 12],
        'semi_annual' => ['building_load' => 6, 'load_bank' => 24, 'outage' => 12],
        'annual' => ['building_load' => 12, 'outage' => 12],
    ],
];
