<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/** Conductor sizes in their order, and their areas. Rule: docs/rules.md#wiring-conventions. */
final readonly class Sizes
{
    public const AWG = [
        '14',
        '12',
        '10',
        '8',
        '6',
        '4',
        '3',
        '2',
        '1',
        '1/0',
        '2/0',
        '3/0',
        '4/0',
        '250',
        '300',
        '350',
        '400',
        '500',
        '600',
        '700',
        '750',
    ];
    public const MM2 = ['1.5', '2.5', '4', '6', '10', '16', '25', '35', '50', '70', '95', '120', '150', '185', '240', '300'];
    /** Sizes for grounding go on, by area alone. */
    private const LARGER = ['800', '900', '1000', '1250', '1500', '1750', '2000'];
    private const KCMIL = [
        '18' => 1.62, '16' => 2.58,
        '14' => 4.11, '12' => 6.53, '10' => 10.38, '8' => 16.51, '6' => 26.24, '4' => 41.74, '3' => 52.62, '2' => 66.36, '1' => 83.69,
        '1/0' => 105.6, '2/0' => 133.1, '3/0' => 167.8, '4/0' => 211.6,
    ];

    /** Copper pairs of control circuits. */
    public const CONTROL = ['18', '16'];

    /** @return non-empty-list<string> the sizes there are of a metal: 14 AWG aluminum does not exist */
    public static function awg(string $material): array
    {
        return $material === 'cu' ? self::AWG : array_slice(self::AWG, 1);
    }

    public static function kcmil(string $size): float
    {
        return (float) (self::KCMIL[$size] ?? $size);
    }

    /** The area of a size, in mm², for a site that measures so. */
    public static function mm2(string $size): float
    {
        return self::kcmil($size) * 0.506_707_5;
    }

    /** Whether one size is at least another; both of the AWG list. */
    public static function isAtLeast(string $size, string $least): bool
    {
        return self::place($size) >= self::place($least);
    }

    public static function place(string $size): int
    {
        return (int) array_search($size, self::AWG, true);
    }

    /** The first size with this area at least, of the list that goes on to 2000 kcmil; null when none has. */
    public static function ofArea(float $kcmil): ?string
    {
        foreach ([...self::AWG, ...self::LARGER] as $size) {
            if (RelativeTolerance::isAtLeast(self::kcmil($size), $kcmil)) {
                return $size;
            }
        }

        return null;
    }

    /** @return non-empty-list<string> the sizes there are of a metal */
    public static function metric(string $material): array
    {
        return $material === 'cu' ? self::MM2 : ['16', '25', '35', '50', '70', '95', '120', '150', '185', '240', '300'];
    }
}
