<?php

declare(strict_types=1);

/*
 * What a set and its switch are serviced for until their makers say otherwise, to be confirmed: hours and months between two services,
 * then hours and months of the first one, by kind of engine. Minutes and skill plan the visit. `spark_fuels`: only with these, on a
 * spark engine; `if_liquid`: of a diesel only when it is cooled by liquid.
 */
return [
    'oil_and_filter' => [
        'air' => [200, 24, 25, null], 'liquid' => [250, 12, 30, null], 'diesel' => [250, 12, 50, null],
        'minutes' => 45, 'skill' => 'engine',
    ],
    'air_filter' => [
        'air' => [200, 24, null, null], 'liquid' => [500, 24, null, null], 'diesel' => [500, 24, null, null],
        'minutes' => 10, 'skill' => 'engine',
    ],
    'spark_plugs' => ['air' => [400, 48, null, null], 'liquid' => [500, 48, null, null], 'minutes' => 30, 'skill' => 'engine'],
    'fuel_filter' => [
        'air' => [200, 12, null, null], 'liquid' => [250, 12, null, null], 'diesel' => [250, 12, null, null],
        'spark_fuels' => ['petrol'], 'minutes' => 30, 'skill' => 'engine',
    ],
    'fuel_leak_check' => [
        'air' => [null, 12, null, null], 'liquid' => [null, 12, null, null], 'spark_fuels' => ['natural_gas', 'lp'],
        'minutes' => 20, 'skill' => 'engine',
    ],
    'fuel_quality' => [
        'air' => [null, 6, null, null], 'liquid' => [null, 6, null, null], 'diesel' => [null, 12, null, null],
        'spark_fuels' => ['petrol'], 'minutes' => 20, 'skill' => 'engine',
    ],
    'valve_clearance' => [
        'air' => [400, 48, 25, null], 'liquid' => [1000, null, null, null], 'diesel' => [1000, null, 50, null],
        'minutes' => 90, 'skill' => 'engine',
    ],
    'coolant_check' => [
        'liquid' => [null, 12, null, null], 'diesel' => [null, 12, null, null], 'if_liquid' => true, 'minutes' => 15, 'skill' => 'engine',
    ],
    'coolant_change' => [
        'liquid' => [2000, 36, null, null], 'diesel' => [2000, 36, null, null], 'if_liquid' => true, 'minutes' => 90, 'skill' => 'engine',
    ],
    'belts_and_hoses' => [
        'liquid' => [500, 12, null, null], 'diesel' => [500, 12, null, null], 'if_liquid' => true, 'minutes' => 30, 'skill' => 'engine',
    ],
    'battery_test' => ['all' => [null, 6, null, null], 'minutes' => 15, 'skill' => 'electric'],
    'battery_replace' => ['all' => [null, 36, null, null], 'minutes' => 30, 'skill' => 'electric'],
    'charger_check' => ['all' => [null, 12, null, null], 'minutes' => 10, 'skill' => 'electric'],
    'load_test' => ['all' => [null, 12, null, null], 'minutes' => 120, 'skill' => 'electric'],
    'switch_inspection' => ['all' => [null, 12, null, null], 'minutes' => 60, 'skill' => 'electric'],
    'torque_witness' => ['all' => [null, 12, null, 3], 'minutes' => 30, 'skill' => 'electric'],
    'enclosure_exhaust' => ['all' => [null, 12, null, null], 'minutes' => 15, 'skill' => 'engine'],
    'alarms_sensors' => ['all' => [null, 12, null, null], 'minutes' => 20, 'skill' => 'electric'],
    'clock_firmware' => ['all' => [null, 12, null, null], 'minutes' => 10, 'skill' => 'electric'],
];
