<?php

declare(strict_types=1);

// The settings block of a device, by the path of each value on the sheet. Rule: docs/rules.md#register-image.

use Escapement\Core\Device\Register\Register;
use Escapement\Core\Device\Register\RegisterType as T;

$limits = static function (int $at, string $side): array {
    $registers = [];
    foreach (['under_voltage', 'over_voltage', 'under_frequency', 'over_frequency', 'unbalance'] as $i => $limit) {
        $registers[] = new Register($at + 2 * $i, "sensing/$side/$limit/dropout_pct", T::U16, 2);
        $registers[] = new Register($at + 2 * $i + 1, "sensing/$side/$limit/pickup_pct", T::U16, 2);
    }

    return $registers;
};

return [
    new Register(2, 'start_delay_ms', T::U48),
    new Register(5, 'transfer_delay_ms', T::U48),
    new Register(8, 'return_delay_ms', T::U48),
    new Register(11, 'cooldown_ms', T::U48),
    new Register(14, 'min_run_ms', T::U48),
    new Register(17, 'travel_ms', T::U48),
    new Register(20, 'off_delay_ms', T::U48),
    new Register(23, 'sensing/normal/dropout_delay_ms', T::U48),
    new Register(26, 'sensing/emergency/dropout_delay_ms', T::U48),
    ...$limits(29, 'normal'),
    ...$limits(39, 'emergency'),
    new Register(49, 'exercise/first_at_ms', T::U48),
    new Register(52, 'exercise/every_ms', T::U48),
    new Register(55, 'exercise/for_ms', T::U48),
    new Register(58, 'load_shed/limit_kw', T::U32, 2),
    new Register(60, 'load_shed/first_step_ms', T::U48),
    new Register(63, 'load_shed/step_ms', T::U48),
    new Register(66, 'load_shed/overload_ms', T::U48),
    new Register(69, 'load_shed/lockout_ms', T::U48),
];
