<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Drawing\LoadTest\FigureLane;
use App\Drawing\LoadTest\FiguresChart;
use App\Models\LoadReading;
use Illuminate\Support\Carbon;

/** The figures of the readings of a test as lanes of its chart, in the units of the site; and what the cursor says at each of them. */
final readonly class TestLanes
{
    public function __construct(private LoadTestPage $page) {}

    public function chart(bool $isPaper): FiguresChart
    {
        return new FiguresChart($this->lanes(), $this->marks(), $this->words(), $isPaper);
    }

    /** Where each reading stands in the chart, and what it says: for the cursor. */
    public function cursor(): string
    {
        $chart = $this->chart(false);

        return json_encode(array_map(fn(LoadReading $one): array => [
            'x' => round($chart->x($this->seconds($one->taken_at)), 1),
            'words' => implode('; ', array_filter([
                $this->page->hour($one->taken_at), $this->page->kw($one) . ' kW', implode(' ', $one->v_v) . ' V',
                implode(' ', $one->a_a) . ' A', "$one->hz Hz", $this->page->oil($one->oil_kpa), $this->page->temperature($one->coolant_c),
                $one->exhaust_c === null ? '' : 'exhaust ' . $this->page->temperature($one->exhaust_c),
            ])),
        ], $this->page->counting()), JSON_THROW_ON_ERROR);
    }

    /** @return list<FigureLane> */
    private function lanes(): array
    {
        $units = $this->page->units;
        $legs = [];
        for ($leg = 0; $leg < $this->page->facts->phases(); $leg++) {
            $legs[] = ['name' => 'L' . ($leg + 1),
                'points' => $this->points(static fn(LoadReading $one): ?float => $one->v_v[$leg] ?? null)];
        }
        $celsius = static fn(?float $value): ?float => $value === null ? null : $units->fromCelsius($value);

        return [
            new FigureLane('Power', 'kW', [['name' => 'kW', 'points' => $this->points($this->page->kw(...))]]),
            new FigureLane('Volts, line to neutral', 'V', $legs),
            new FigureLane(
                'Frequency',
                'Hz',
                [['name' => 'Hz', 'points' => $this->points(static fn(LoadReading $one): float => $one->hz)]],
            ),
            new FigureLane('Coolant', $units->temperature(), [
                ['name' => 'coolant', 'points' => $this->points(static fn(LoadReading $one): ?float => $celsius($one->coolant_c))],
            ]),
            new FigureLane('Exhaust', $units->temperature(), [
                ['name' => 'exhaust', 'points' => $this->points(static fn(LoadReading $one): ?float => $celsius($one->exhaust_c))],
            ]),
            new FigureLane('Oil', $units->oilPressure(), [['name' => 'oil', 'points' => $this->points(
                static fn(LoadReading $one): ?float => $one->oil_kpa === null ? null : $units->fromKilopascals($one->oil_kpa),
            )]]),
        ];
    }

    /**
     * @param \Closure(LoadReading): ?float $figure
     *
     * @return list<array{float, float}>
     */
    private function points(\Closure $figure): array
    {
        $points = [];
        foreach ($this->page->counting() as $one) {
            $value = $figure($one);
            if ($value !== null) {
                $points[] = [$this->seconds($one->taken_at), $value];
            }
        }

        return $points;
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

    private function seconds(Carbon $at): float
    {
        return max(0.0, (float) (LoadTestFacts::zero($this->page->test)?->diffInMilliseconds($at) ?? 0.0) / 1000);
    }

    private function words(): string
    {
        $count = count($this->page->counting());

        return "Power, volts, frequency, temperatures and oil of $count readings; the table below has them as figures.";
    }
}
