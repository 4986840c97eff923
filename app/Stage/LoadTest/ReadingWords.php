<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\Units;
use App\Models\LoadReading;
use Illuminate\Support\Carbon;

/**
 * The figures of a reading in the units and the time zone of its site.
 *
 * @phpstan-import-type Figures from LoadReading
 */
final readonly class ReadingWords
{
    public function __construct(public Units $units, private string $timezone) {}

    public function hour(Carbon $at): string
    {
        return $at->copy()->setTimezone($this->timezone)->format('H:i:s');
    }

    public function oil(?float $kpa): string
    {
        return $kpa === null ? '' : round($this->units->fromKilopascals($kpa)) . "\u{202F}" . $this->units->oilPressure();
    }

    public function temperature(?float $c): string
    {
        return $c === null ? '' : round($this->units->fromCelsius($c)) . "\u{202F}" . $this->units->temperature();
    }

    /** @param Figures $figures */
    public static function kw(array $figures): float
    {
        return round($figures['kw'] ?? array_sum(array_map(
            static fn(float $v, float $a): float => $v * $a,
            $figures['v_v'],
            $figures['a_a'],
        )) / 1000, 2);
    }

    /** @param Figures $figures */
    public function line(Carbon $at, array $figures): string
    {
        return implode('; ', array_filter([
            $this->hour($at), self::kw($figures) . ' kW', implode(' ', $figures['v_v']) . ' V', implode(' ', $figures['a_a']) . ' A',
            "{$figures['hz']} Hz", $this->oil($figures['oil_kpa']), $this->temperature($figures['coolant_c']),
            $figures['exhaust_c'] === null ? '' : 'exhaust ' . $this->temperature($figures['exhaust_c']),
        ]));
    }
}
