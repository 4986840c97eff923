<?php

declare(strict_types=1);

namespace Escapement\Core\Input;

/**
 * Decimals as written, as whole numbers of a small unit, so that limits and sums tie exactly: 0.1 + 0.2 is not over 0.3.
 *
 * A product that outgrows 64 bits goes on as a float: PHP does that by itself, and only ramps over absurd times come near.
 */
final class Decimal
{
    /** More places than any instrument has; what lies beyond them is a float's business. */
    private const MOST_PLACES = 9;

    /** Digits after the decimal point in the shortest form that reads back as the same number. */
    public static function places(int|float $number): int
    {
        if (is_int($number)) {
            return 0;
        }
        [$digits, $exponent] = explode('e', strtolower(json_encode($number, JSON_THROW_ON_ERROR))) + [1 => '0'];
        $fraction = rtrim(explode('.', $digits)[1] ?? '', '0');

        return min(self::MOST_PLACES, max(0, strlen($fraction) - (int) $exponent));
    }

    /** @param iterable<int|float> $numbers */
    public static function placesOfAll(iterable $numbers): int
    {
        $places = 0;
        foreach ($numbers as $number) {
            $places = max($places, self::places($number));
        }

        return $places;
    }

    /** The number in units of 10^-$places. */
    public static function scaled(int|float $number, int $places): int|float
    {
        if (is_int($number)) {
            return $number * 10 ** $places;
        }
        $scaled = round($number * 10 ** $places);

        return abs($scaled) < 4e15 ? (int) $scaled : $scaled;
    }

    /** In whole units of 10^-$places, half a unit away from zero, by the shortest decimal of the number: 120.05 is 1201 tenths. */
    public static function units(int|float $number, int $places): int
    {
        [$digits, $exponent] = explode('e', strtolower(json_encode(abs($number), JSON_THROW_ON_ERROR))) + [1 => '0'];
        [$whole, $fraction] = explode('.', $digits) + [1 => ''];
        $point = strlen($whole) + (int) $exponent + $places;
        if ($point < 0) {
            return 0;
        }
        $all = str_pad($whole . $fraction, $point + 1, '0');
        $units = (int) substr($all, 0, $point) + ((int) $all[$point] >= 5 ? 1 : 0);

        return $number < 0 ? -$units : $units;
    }
}
