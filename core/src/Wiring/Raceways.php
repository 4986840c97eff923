<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/** Inside areas of raceways and areas of conductors, square inches. Facts to be confirmed. Rule: docs/rules.md#raceway-fill. */
final readonly class Raceways
{
    public const TRADE_SIZES = ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2', '2-1/2', '3', '3-1/2', '4'];
    private const INCHES = [0.5, 0.75, 1.0, 1.25, 1.5, 2.0, 2.5, 3.0, 3.5, 4.0];
    private const AREAS = [
        'emt' => [.304, .533, .864, 1.496, 2.036, 3.356, 5.858, 8.846, 11.545, 14.753],
        'rmc' => [.314, .549, .887, 1.526, 2.071, 3.408, 4.866, 7.499, 10.010, 12.882],
        'pvc40' => [.285, .508, .832, 1.453, 1.986, 3.291, 4.695, 7.268, 9.737, 12.554],
        'pvc80' => [.217, .409, .688, 1.237, 1.711, 2.874, 4.119, 6.442, 8.688, 11.258],
        'lfmc' => [.314, .541, .873, 1.528, 1.981, 3.246, 4.881, 7.475, 9.731, 12.692],
        'imc' => [.342, .586, .959, 1.647, 2.225, 3.630, 5.135, 7.922, 10.584, 13.631],
        'fmc' => [.317, .533, .817, 1.277, 1.858, 3.269, 4.909, 7.069, 9.621, 12.566], 'lfnc' => [.314, .541, .873, 1.528, 1.981, 3.246],
        'ent' => [.285, .508, .832, 1.453, 1.986, 3.291],
    ];

    public const TYPES = ['emt', 'rmc', 'imc', 'pvc40', 'pvc80', 'fmc', 'lfmc', 'lfnc', 'ent'];

    /** Raceways whose jacket or metal is no dependable ground, and those that bend with the pull. */
    private const WIRE_GROUND = ['fmc', 'lfmc', 'lfnc', 'ent'];
    private const FLEXIBLE = ['lfmc', 'lfnc', 'fmc'];

    /** thhn, xhhw2, xhhw2_compact (0: not listed), bare. */
    private const CONDUCTORS = [
        '14' => [.0097, .0139, 0, .004],
        '12' => [.0133, .0181, 0, .006],
        '10' => [.0211, .0243, 0, .011],
        '8' => [.0366, .0437, .0394, .017],
        '6' => [.0507, .0590, .0530, .027],
        '4' => [.0824, .0814, .0730, .042],
        '3' => [.0973, .0962, 0, .053],
        '2' => [.1158, .1146, .1017, .067],
        '1' => [.1562, .1534, .1352, .087],
        '1/0' => [.1855, .1825, .1590, .109],
        '2/0' => [.2223, .2190, .1885, .137],
        '3/0' => [.2679, .2642, .2290, .173],
        '4/0' => [.3237, .3197, .2733, .219],
        '250' => [.3970, .3904, .3421, .260],
        '300' => [.4608, .4536, .4015, .312],
        '350' => [.5242, .5166, .4536, .364],
        '400' => [.5863, .5782, .5026, .416],
        '500' => [.7073, .6984, .6082, .519],
    ];
    public const KINDS = ['thhn', 'xhhw2', 'xhhw2_compact', 'bare'];

    public static function isListed(string $type, string $tradeSize): bool
    {
        return isset(self::AREAS[$type][(int) array_search($tradeSize, self::TRADE_SIZES, true)]);
    }

    public static function asksForWireGround(string $type): bool
    {
        return in_array($type, self::WIRE_GROUND, true);
    }

    public static function isFlexible(string $type): bool
    {
        return in_array($type, self::FLEXIBLE, true);
    }

    /** How full a raceway may be, by the number of pieces in it. */
    public static function limitPct(int $count, bool $isNipple): float
    {
        return $isNipple ? 60.0 : match ($count) {
            1 => 53.0,
            2 => 31.0,
            default => 40.0,
        };
    }

    /** The smallest trade size of a type that takes this area; null when none does. */
    public static function smallest(string $type, float $totalIn2, float $limitPct): ?string
    {
        foreach (self::AREAS[$type] as $i => $inside) {
            if (RelativeTolerance::isAtLeast($limitPct, 100 * $totalIn2 / $inside)) {
                return self::TRADE_SIZES[$i];
            }
        }

        return null;
    }

    public static function area(string $type, string $tradeSize): float
    {
        return self::AREAS[$type][(int) array_search($tradeSize, self::TRADE_SIZES, true)]
            ?? throw new \LogicException("$type has no $tradeSize in.");
    }

    public static function inches(string $tradeSize): float
    {
        return self::INCHES[(int) array_search($tradeSize, self::TRADE_SIZES, true)];
    }

    /** Null where this kind is not listed in this size. */
    public static function conductor(string $kind, string $size): ?float
    {
        $area = self::CONDUCTORS[$size][(int) array_search($kind, self::KINDS, true)] ?? 0;

        return $area > 0 ? $area : null;
    }
}
