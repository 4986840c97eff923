<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

/** What a machine burns at a load: the maker's table, or a generic one. Rule: docs/rules.md#fuel. */
final readonly class FuelUse
{
    /** At 25, 50, 75 and 100 % of rated, per rated kW: l/h for liquids, BTU/h for gases. To be confirmed with the maker. */
    private const GENERIC = [
        'diesel' => [0.10, 0.16, 0.22, 0.28],
        'petrol' => [0.22, 0.32, 0.43, 0.55],
        'lp' => [7500, 10500, 13500, 16500],
        'natural_gas' => [7500, 10500, 13500, 16500],
    ];
    private const BTU_PER_FT3 = ['natural_gas' => 1030.0, 'lp' => 2516.0];
    private const LITRES_PER_GALLON = 3.785411784;
    private const CUBIC_FEET_PER_CUBIC_METRE = 35.3146667;
    private const LP_BTU_PER_GALLON = 91_500;

    /** @param list<array{float, float}> $points load in percent of rated, rate in $unit */
    public function __construct(
        private string $fuel,
        private array $points,
        public string $unit,
        public float $btuPerFt3,
        public bool $isGeneric = false,
    ) {}

    /** Of a gas by the cubic foot; 1 of a liquid. */
    public static function usualBtuPerFt3(string $fuel): float
    {
        return self::BTU_PER_FT3[$fuel] ?? 1.0;
    }

    public static function generic(string $fuel, float $ratedKw, float $btuPerFt3): self
    {
        $points = array_map(
            static fn(int $i, float|int $rate): array => [25.0 * ($i + 1), $rate * $ratedKw],
            array_keys(self::GENERIC[$fuel]),
            self::GENERIC[$fuel],
        );

        return new self($fuel, $points, self::isLiquid($fuel) ? 'l_h' : 'btuh', $btuPerFt3, isGeneric: true);
    }

    public static function isLiquid(string $fuel): bool
    {
        return $fuel === 'diesel' || $fuel === 'petrol';
    }

    /** @return array{l_h: ?float, gal_h: ?float, ft3_h: ?float, m3_h: ?float, btuh: ?float} null where the fuel is not measured so */
    public function rate(float $loadPct): array
    {
        $rate = $this->along($loadPct);
        if (self::isLiquid($this->fuel)) {
            $gal = $this->unit === 'gal_h' ? $rate : $rate / self::LITRES_PER_GALLON;

            return [
                'l_h' => $this->unit === 'l_h' ? $rate : $rate * self::LITRES_PER_GALLON,
                'gal_h' => $gal,
                'ft3_h' => null,
                'm3_h' => null,
                'btuh' => null,
            ];
        }
        $btuh = match ($this->unit) {
            'ft3_h' => $rate * $this->btuPerFt3,
            'm3_h' => $rate * self::CUBIC_FEET_PER_CUBIC_METRE * $this->btuPerFt3,
            'gal_h' => $rate * self::LP_BTU_PER_GALLON,
            'l_h' => $rate / self::LITRES_PER_GALLON * self::LP_BTU_PER_GALLON,
            default => $rate,
        };
        $ft3 = $btuh / $this->btuPerFt3;
        $gal = $this->fuel === 'lp' ? $btuh / self::LP_BTU_PER_GALLON : null;

        return [
            'l_h' => $gal === null ? null : $gal * self::LITRES_PER_GALLON,
            'gal_h' => $gal,
            'ft3_h' => $ft3,
            'm3_h' => $ft3 / self::CUBIC_FEET_PER_CUBIC_METRE,
            'btuh' => $btuh,
        ];
    }

    /** Linear between the points; outside them along the nearest two, never below 0. */
    private function along(float $loadPct): float
    {
        $last = count($this->points) - 1;
        $i = 1;
        while ($i < $last && $loadPct > $this->points[$i][0]) {
            $i++;
        }
        [[$x1, $y1], [$x2, $y2]] = [$this->points[$i - 1], $this->points[$i]];

        return max(0.0, $y1 + ($y2 - $y1) * ($loadPct - $x1) / ($x2 - $x1));
    }
}
