<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use Escapement\Core\RelayLogic\RelayType;

/** What can be measured or read off a dial, by kind of device: label, unit and the usual value of `relay_play`. */
final readonly class TimeFields
{
    /** @return array<string, array{string, string, string}> by key of `relay_play` */
    public static function of(RelayType $type): array
    {
        $coil = ['pick_pct' => ['Picks up at', '%', '85'], 'hold_pct' => ['Lets go below', '%', '60']];

        return match ($type) {
            RelayType::Contactor => [
                'pick_ms' => ['Pick-up', 'ms', '20'], 'drop_ms' => ['Drop-out', 'ms', '15'], 'travel_ms' => ['Of it in travel', 'ms', '5'],
            ] + $coil,
            RelayType::Relay => [
                'pick_ms' => ['Pick-up', 'ms', '12'], 'drop_ms' => ['Drop-out', 'ms', '8'], 'travel_ms' => ['Of it in travel', 'ms', '3'],
            ] + $coil,
            RelayType::Timer => ['deviation_pct' => ['Runs longer than its dial', '%', '0']] + $coil,
            RelayType::MotorChangeover => ['open_ms' => ['Opens in', 'ms', '60'], 'close_ms' => ['Closes in', 'ms', '400']] + $coil,
            RelayType::PhaseRelay => [
                'under_pct' => ['Under', '%', '85'], 'over_pct' => ['Over', '%', '115'], 'unbalance_pct' => ['Unbalance', '%', 'off'],
                'trip_ms' => ['Trips after', 'ms', '500'], 'loss_trip_ms' => ['Lost phase after', 'ms', '100'],
                'reset_ms' => ['Good after', 'ms', '1000'],
            ],
            default => [],
        };
    }
}
