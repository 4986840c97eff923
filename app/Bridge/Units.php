<?php

declare(strict_types=1);

namespace App\Bridge;

/** What a person reads and types on this site; what is stored is always metric. */
final readonly class Units
{
    private const METRES_A_FOOT = 0.3048;
    private const MILLIBAR_AN_INCH = 2.4908891;
    private const LITRES_A_GALLON = 3.785411784;
    private const KILOWATTS_A_HORSEPOWER = 0.745699872;
    private const KILOPASCALS_A_PSI = 6.894757;

    public function __construct(public string $system) {}

    /** The unit in which a quantity that is kept in another is shown and typed here. */
    public function unit(?string $kept): ?string
    {
        return match ($kept) {
            'm' => $this->length(),
            'gal' => $this->volume(),
            'in wc' => $this->system === 'us' ? 'in wc' : 'mbar',
            '°C' => $this->temperature(),
            'kPa' => $this->oilPressure(),
            default => $kept,
        };
    }

    public function shown(?string $kept, float $value): float
    {
        return match ($kept) {
            'm' => $this->fromMetres($value),
            'gal' => $this->system === 'us' ? $value : $value * self::LITRES_A_GALLON,
            'in wc' => $this->system === 'us' ? $value : $value * self::MILLIBAR_AN_INCH,
            '°C' => $this->fromCelsius($value),
            'kPa' => $this->fromKilopascals($value),
            default => $value,
        };
    }

    public function typed(?string $kept, float $value): float
    {
        return match ($kept) {
            'm' => $this->toMetres($value),
            'gal' => $this->system === 'us' ? $value : $value / self::LITRES_A_GALLON,
            'in wc' => $this->system === 'us' ? $value : $value / self::MILLIBAR_AN_INCH,
            '°C' => $this->toCelsius($value),
            'kPa' => $this->toKilopascals($value),
            default => $value,
        };
    }

    /** A sentence of the core, which thinks in metric units, as it is read here. */
    public function sentence(string $sentence): string
    {
        return $this->system !== 'us' ? $sentence : (string) preg_replace_callback(
            '/(?<![\d.])(-?\d+(?:\.\d+)?)[ \x{202F}](kPa|°C)/u',
            fn(array $found): string => round($this->shown($found[2], (float) $found[1])) . " {$this->unit($found[2])}",
            $sentence,
        );
    }

    public function length(): string
    {
        return $this->system === 'us' ? 'ft' : 'm';
    }

    public function fromMetres(float $metres): float
    {
        return $this->system === 'us' ? $metres / self::METRES_A_FOOT : $metres;
    }

    public function toMetres(float $typed): float
    {
        return $this->system === 'us' ? $typed * self::METRES_A_FOOT : $typed;
    }

    public function oilPressure(): string
    {
        return $this->system === 'us' ? 'psi' : 'kPa';
    }

    public function fromKilopascals(float $kpa): float
    {
        return $this->system === 'us' ? $kpa / self::KILOPASCALS_A_PSI : $kpa;
    }

    public function toKilopascals(float $typed): float
    {
        return $this->system === 'us' ? $typed * self::KILOPASCALS_A_PSI : $typed;
    }

    public function motor(): string
    {
        return $this->system === 'us' ? 'hp' : 'kW';
    }

    public function fromHorsepower(float $horsepower): float
    {
        return $this->system === 'us' ? $horsepower : $horsepower * self::KILOWATTS_A_HORSEPOWER;
    }

    public function toHorsepower(float $typed): float
    {
        return $this->system === 'us' ? $typed : $typed / self::KILOWATTS_A_HORSEPOWER;
    }

    public function temperature(): string
    {
        return $this->system === 'us' ? '°F' : '°C';
    }

    public function fromCelsius(float $celsius): float
    {
        return $this->system === 'us' ? $celsius * 9 / 5 + 32 : $celsius;
    }

    public function toCelsius(float $typed): float
    {
        return $this->system === 'us' ? ($typed - 32) * 5 / 9 : $typed;
    }

    public function volume(): string
    {
        return $this->system === 'us' ? 'gal' : 'L';
    }

    public function fromLitres(float $litres): float
    {
        return $this->system === 'us' ? $litres / self::LITRES_A_GALLON : $litres;
    }

    public function toLitres(float $typed): float
    {
        return $this->system === 'us' ? $typed * self::LITRES_A_GALLON : $typed;
    }

    public function area(): string
    {
        return $this->system === 'us' ? 'ft²' : 'm²';
    }

    public function fromSquareMetres(float $squareMetres): float
    {
        return $this->fromMetres($this->fromMetres($squareMetres));
    }

    public function toSquareMetres(float $typed): float
    {
        return $this->toMetres($this->toMetres($typed));
    }

    /** Gallons as this site reads them, with the unit. */
    public function volumeText(float $gallons): string
    {
        return round($this->shown('gal', $gallons), 1) . "\u{202F}" . $this->volume();
    }
}
