<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Drawing\LoadTest\FigureLane;
use App\Drawing\LoadTest\FiguresChart;
use App\Models\LoadReading;
use Escapement\Core\LoadTest\Extremes;

/**
 * The figures of the readings of a test as lanes of its chart, in the units of the site; and what the cursor says at each of them.
 *
 * @phpstan-import-type Figures from LoadReading
 */
final readonly class TestLanes
{
    /** As many as a chart of this width can show. */
    private const MOST_POINTS = 500;

    /** @var list<LoadReading> */
    private array $readings;
    /** @var list<Figures> of each */
    private array $rows;
    /** @var list<float> from the first of them: a date is read anew each time it is asked for */
    private array $seconds;

    public function __construct(private LoadTestPage $page)
    {
        $this->readings = $page->counting();
        $this->rows = array_map(static fn(LoadReading $one): array => $one->figures(), $this->readings);
        $ms = array_map(static fn(LoadReading $one): int => (int) $one->taken_at->getTimestampMs(), $this->readings);
        $this->seconds = array_map(static fn(int $one): float => max(0, $one - $ms[0]) / 1000, $ms);
    }

    public function chart(bool $isPaper): FiguresChart
    {
        return new FiguresChart($this->lanes(), $this->marks(), $this->words(), $isPaper);
    }

    /**
     * The power of the readings, on the clock of the plan.
     *
     * @return list<array{float, float}> seconds from the beginning of the warm-up, and kilowatts
     */
    public function power(float $startS): array
    {
        return array_map(
            static fn(array $point): array => [$startS + $point[0], $point[1]],
            $this->points(self::kw(...)),
        );
    }

    /** Where each reading stands in the chart, and what it says: for the cursor. */
    public function cursor(): string
    {
        $chart = $this->chart(false);
        $every = max(1, (int) ceil(count($this->readings) / self::MOST_POINTS));
        $shown = array_filter($this->readings, static fn(int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_KEY);

        return json_encode(array_map(fn(LoadReading $one, int $i): array => [
            'x' => round($chart->x($this->seconds[$i]), 1),
            'words' => implode('; ', array_filter([
                $this->page->hour($one->taken_at), $this->page->kw($one) . ' kW', implode(' ', $one->v_v) . ' V',
                implode(' ', $one->a_a) . ' A', "$one->hz Hz", $this->page->oil($one->oil_kpa), $this->page->temperature($one->coolant_c),
                $one->exhaust_c === null ? '' : 'exhaust ' . $this->page->temperature($one->exhaust_c),
            ])),
        ], $shown, array_keys($shown)), JSON_THROW_ON_ERROR);
    }

    /** @return list<FigureLane> */
    private function lanes(): array
    {
        $units = $this->page->units;
        $legs = [];
        for ($leg = 0; $leg < $this->page->facts->phases(); $leg++) {
            $legs[] = [
                'name' => 'L' . ($leg + 1), 'points' => $this->points(static fn(array $row): ?float => $row['v_v'][$leg] ?? null),
            ];
        }
        $of = fn(string $key, \Closure $shown): array => [[
            'name' => $key, 'points' => $this->points(static fn(array $row): ?float => $row[$key] === null ? null : $shown($row[$key])),
        ]];

        return [
            new FigureLane('Power', 'kW', [['name' => 'kW', 'points' => $this->points(self::kw(...))]]),
            new FigureLane('Volts, line to neutral', 'V', $legs),
            new FigureLane('Frequency', 'Hz', $of('hz', static fn(float $hz): float => $hz)),
            new FigureLane('Coolant', $units->temperature(), $of('coolant_c', $units->fromCelsius(...))),
            new FigureLane('Exhaust', $units->temperature(), $of('exhaust_c', $units->fromCelsius(...))),
            new FigureLane('Oil', $units->oilPressure(), $of('oil_kpa', $units->fromKilopascals(...))),
        ];
    }

    /** @param Figures $row */
    private static function kw(array $row): float
    {
        return round($row['kw'] ?? array_sum(array_map(
            static fn(float $v, float $a): float => $v * $a,
            $row['v_v'],
            $row['a_a'],
        )) / 1000, 2);
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
                $points[] = [$this->seconds[$i], $value];
            }
        }

        return Extremes::of($points, self::MOST_POINTS);
    }

    /** @return list<array{s: float, words: string, isHard: bool}> */
    private function marks(): array
    {
        $marks = [];
        foreach (LoadTestFacts::moments($this->page->test) as $moment) {
            $marks[] = [
                's' => $moment->tS,
                'words' => $moment->levelPct === null ? $moment->kind->label() : sprintf('%g %%', $moment->levelPct),
                'isHard' => $moment->kind->isHard(),
            ];
        }

        return $marks;
    }

    private function words(): string
    {
        $count = count($this->readings);

        return "Power, volts, frequency, temperatures and oil of $count readings; the table below has them as figures.";
    }
}
