<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Drawing\LoadTest\FigureLane;
use App\Models\LoadReading;
use Escapement\Core\LoadTest\Extremes;

/**
 * The readings of a test as lanes of its chart, in the units of the site; and what the cursor says at each of them.
 *
 * @phpstan-import-type Figures from LoadReading
 */
final readonly class TestLanes
{
    /** As many as a chart of this width can show. */
    private const MOST_POINTS = 300;

    /** @var list<Figures> of each */
    private array $rows;
    /** @var list<int> in ms since 1970: a date is read anew each time it is asked for */
    public array $takenMs;

    /** @param list<LoadReading> $readings that count, in order of time */
    public function __construct(private array $readings, private ReadingWords $words)
    {
        $this->rows = array_map(static fn(LoadReading $one): array => $one->figures(), $readings);
        $this->takenMs = array_map(static fn(LoadReading $one): int => (int) $one->taken_at->getTimestampMs(), $readings);
    }

    /** @return list<array{float, float}> seconds from the first reading, and kilowatts */
    public function power(): array
    {
        return $this->points(ReadingWords::kw(...));
    }

    /** @return list<array{s: float, words: string}> what a cursor says, at no more readings than a chart can show */
    public function words(): array
    {
        $every = max(1, (int) ceil(count($this->readings) / self::MOST_POINTS));
        $words = [];
        for ($i = 0; $i < count($this->readings); $i += $every) {
            $words[] = ['s' => $this->seconds($i), 'words' => $this->words->line($this->readings[$i]->taken_at, $this->rows[$i])];
        }

        return $words;
    }

    /** @return list<FigureLane> */
    public function lanes(): array
    {
        $units = $this->words->units;
        $legs = [];
        for ($leg = 0; $leg < count($this->rows[0]['v_v'] ?? []); $leg++) {
            $legs[] = [
                'name' => 'L' . ($leg + 1), 'points' => $this->points(static fn(array $row): ?float => $row['v_v'][$leg] ?? null),
            ];
        }
        $of = fn(string $key, \Closure $shown): array => [[
            'name' => $key, 'points' => $this->points(static fn(array $row): ?float => $row[$key] === null ? null : $shown($row[$key])),
        ]];

        return [
            new FigureLane('Power', 'kW', [['name' => 'kW', 'points' => $this->power()]]),
            new FigureLane('Volts, line to neutral', 'V', $legs),
            new FigureLane('Frequency', 'Hz', $of('hz', static fn(float $hz): float => $hz)),
            new FigureLane('Coolant', $units->temperature(), $of('coolant_c', $units->fromCelsius(...))),
            new FigureLane('Exhaust', $units->temperature(), $of('exhaust_c', $units->fromCelsius(...))),
            new FigureLane('Oil', $units->oilPressure(), $of('oil_kpa', $units->fromKilopascals(...))),
        ];
    }

    private function seconds(int $i): float
    {
        return max(0, $this->takenMs[$i] - $this->takenMs[0]) / 1000;
    }

    /**
     * @param \Closure(Figures): ?float $figure
     *
     * @return list<array{float, float}>
     */
    private function points(\Closure $figure): array
    {
        $points = [];
        foreach ($this->rows as $i => $row) {
            $value = $figure($row);
            if ($value !== null) {
                $points[] = [$this->seconds($i), $value];
            }
        }

        return Extremes::of($points, self::MOST_POINTS);
    }
}
