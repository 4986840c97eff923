<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/**
 * The fixed units of a simulation: whole numbers, so that limits and sums tie exactly (0.1 + 0.2 is not over 0.3) and
 * an event can be injected at any time without knowing what comes later.
 *
 * Finest steps: 0.0001 V, 0.0001 Hz, 0.001 %, 0.000 001 kW. Finer input is rounded half to even; isFiner…() tells.
 * Volts and hertz count in 10⁻⁹, so that nominal · percent is whole too. A product that outgrows 64 bits goes on as a
 * float: PHP does that by itself, and only ramps over absurd times come near.
 */
final class Units
{
    public const SIGNAL_STEP = 0.0001;
    public const PERCENT_STEP = 0.001;
    public const KILOWATT_STEP = 0.000_001;
    /** Units in one volt, and in one hertz. */
    public const SIGNAL = 1_000_000_000;
    public const KILOWATT = 1_000_000;

    private const SIGNAL_PLACES = 4;
    private const PERCENT_PLACES = 3;
    private const KILOWATT_PLACES = 6;

    /** Volts or hertz. */
    public static function signal(int|float $value): int
    {
        return is_int($value) ? $value * self::SIGNAL : self::whole($value, self::SIGNAL_PLACES) * 100_000;
    }

    /** The part of a nominal value that a percentage is, in units of signal(). */
    public static function part(int|float $nominal, int|float $percent): int
    {
        return self::whole($nominal, self::SIGNAL_PLACES) * self::whole($percent, self::PERCENT_PLACES);
    }

    /** @return array{int, int} a percentage as numerator and denominator */
    public static function share(int|float $percent): array
    {
        return [self::whole($percent, self::PERCENT_PLACES), 100 * 10 ** self::PERCENT_PLACES];
    }

    public static function kilowatts(int|float $kw): int
    {
        return is_int($kw) ? $kw * self::KILOWATT : self::whole($kw, self::KILOWATT_PLACES);
    }

    public static function isFinerSignal(int|float $value): bool
    {
        return self::isFiner($value, self::SIGNAL_PLACES);
    }

    public static function isFinerPercent(int|float $value): bool
    {
        return self::isFiner($value, self::PERCENT_PLACES);
    }

    public static function isFinerKilowatt(int|float $value): bool
    {
        return self::isFiner($value, self::KILOWATT_PLACES);
    }

    private static function isFiner(int|float $value, int $places): bool
    {
        return is_float($value) && round($value, $places, PHP_ROUND_HALF_EVEN) !== $value;
    }

    private static function whole(int|float $value, int $places): int
    {
        return is_int($value) ? $value * 10 ** $places : (int) round(round($value, $places, PHP_ROUND_HALF_EVEN) * 10 ** $places);
    }
}
