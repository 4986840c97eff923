<?php

declare(strict_types=1);

// Input registers of a device: what it shows at one moment. Rule: docs/rules.md#register-image.

use Escapement\Core\Device\Register\Register;
use Escapement\Core\Device\Register\RegisterType as T;

/** @return list<Register> three legs one behind the other */
$legs = static fn(int $at, string $key, T $type, int $places): array => array_map(
    static fn(int $leg): Register => new Register($at + $leg * $type->width(), "$key.$leg", $type, $places),
    [0, 1, 2],
);

return [
    new Register(0, 'map_version', T::U16),
    new Register(1, 'position', T::U16, 0, ['off', 'normal', 'emergency']),
    new Register(2, 'moving', T::U16, 0, ['no', 'yes']),
    new Register(3, 'engine', T::U16, 0, ['stopped', 'cranking', 'resting', 'running_up', 'running', 'coasting', 'locked_out']),
    new Register(4, 'start_contact', T::U16, 0, ['open', 'closed']),
    new Register(5, 'test', T::U16, 0, ['none', 'no_load', 'load']),
    new Register(6, 'selector', T::U16, 0, ['off', 'auto']),
    ...$legs(7, 'v_normal', T::U16, 1),
    ...$legs(10, 'v_emergency', T::U16, 1),
    ...$legs(13, 'v_bus', T::U16, 1),
    ...$legs(16, 'v_generator', T::U16, 1),
    new Register(19, 'hz_normal', T::U16, 2),
    new Register(20, 'hz_emergency', T::U16, 2),
    new Register(21, 'hz_bus', T::U16, 2),
    new Register(22, 'hz_generator', T::U16, 2),
    ...$legs(23, 'bus.a', T::U16, 1),
    ...$legs(26, 'generator.a', T::U16, 1),
    new Register(29, 'bus.kw', T::S32, 2),
    new Register(31, 'bus.kvar', T::S32, 2),
    new Register(33, 'bus.pf', T::S16, 3),
    new Register(34, 'generator.kw', T::S32, 2),
    new Register(36, 'generator.kvar', T::S32, 2),
    new Register(38, 'generator.pf', T::S16, 3),
    ...$legs(39, 'meter_kw', T::S32, 2),
    new Register(45, 'oil_kpa', T::U16, 1),
    new Register(46, 'oil_c', T::S16, 1),
    new Register(47, 'coolant_c', T::S16, 1),
    new Register(48, 'exhaust_c', T::S16, 1),
    new Register(49, 'battery_v', T::U16, 2),
    new Register(50, 'fuel_pct', T::U16, 2),
    new Register(51, 'run_h', T::U32, 2),
    new Register(53, 'starts', T::U32),
    new Register(55, 't_ms', T::U48),
    new Register(58, 'alarms', T::U16),
    new Register(59, 'lamps', T::U16),
];
