<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Torque;

use Escapement\Core\Wiring\Sizes;

/** Torque of last resort, in-lb, where label and sheet of the maker are lost. To be confirmed. Rule: docs/rules.md#torque. */
final readonly class TorqueTable
{
    public const IN_LB_TO_NM = 0.1129848290276167;
    public const SOCKETS = [
        '1/8' => 45,
        '5/32' => 100,
        '3/16' => 120,
        '7/32' => 150,
        '1/4' => 200,
        '5/16' => 275,
        '3/8' => 375,
        '1/2' => 500,
        '9/16' => 600,
    ];
    /** Up to this size: slotted small (0: none), slotted large, split bolt, external hex. */
    private const BY_SIZE = [
        '10' => [20, 35, 80, 75],
        '8' => [25, 40, 80, 75],
        '4' => [35, 45, 165, 110],
        '3' => [35, 50, 275, 150],
        '2' => [40, 50, 275, 150],
        '1' => [0, 50, 275, 150],
        '2/0' => [0, 50, 385, 180],
        '4/0' => [0, 50, 500, 250],
        '350' => [0, 50, 650, 325],
        '400' => [0, 50, 825, 325],
        '500' => [0, 50, 825, 375],
        '750' => [0, 50, 1000, 375],
    ];
    private const COLUMNS = ['slotted_small', 'slotted_large', 'split_bolt', 'hex_external'];
    public const SCREWS = [...self::COLUMNS, 'hex_socket'];

    /** @return non-empty-list<string> across flats, inches */
    public static function sockets(): array
    {
        return array_map(strval(...), array_keys(self::SOCKETS));
    }

    public static function inLb(string $screw, string $size, ?string $socket): ?float
    {
        if ($screw === 'hex_socket') {
            return $socket === null ? null : (float) self::SOCKETS[$socket];
        }
        foreach (self::BY_SIZE as $most => $row) {
            if (Sizes::isAtLeast((string) $most, $size)) {
                $value = $row[(int) array_search($screw, self::COLUMNS, true)];

                return $value === 0 ? null : (float) $value;
            }
        }

        return null;
    }

    public static function toInLb(float $value, string $unit): float
    {
        return match ($unit) {
            'ft_lb' => $value * 12,
            'nm' => $value / self::IN_LB_TO_NM,
            default => $value,
        };
    }
}
