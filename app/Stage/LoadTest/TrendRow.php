<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\Units;
use App\Drawing\LoadTest\TrendChart;
use Escapement\Core\LoadTest\FigureTrend;

/** One figure over the years, in the units of its site. */
final readonly class TrendRow
{
    private const FIGURES = [
        'regulation_pct' => ['Voltage regulation', '%'], 'droop_pct' => ['Frequency droop', '%'],
        'oil_kpa' => ['Oil pressure', 'kPa'], 'coolant_c' => ['Coolant', '°C'], 'coolant_rise_c' => ['Coolant above ambient', 'K'],
        'exhaust_c' => ['Exhaust', '°C'], 'battery_crank_v' => ['Battery while cranking', 'V'], 'start_s' => ['Time to start', 's'],
        'dip_pct' => ['Largest voltage dip', '%'],
    ];

    public string $name;
    public string $unit;
    /** @var list<float> */
    public array $values;
    public ?float $slope;
    public ?float $limit;

    public function __construct(public FigureTrend $figure, private Units $units, private string $today)
    {
        [$this->name, $kept] = self::FIGURES[$figure->figure];
        $this->unit = (string) $units->unit($kept);
        $shown = static fn(float $value): float => round($units->shown($kept, $value), 1);
        $this->values = array_map($shown, $figure->values);
        $this->limit = $figure->limit === null ? null : $shown($figure->limit);
        // A slope has no zero point of its own: what one unit more comes to here.
        $oneMore = $units->shown($kept, 1.0) - $units->shown($kept, 0.0);
        $this->slope = $figure->slopePerYear === null ? null : $figure->slopePerYear * $oneMore;
    }

    public function trend(): string
    {
        return ['none' => 'no trend', 'too_few' => 'too few tests'][$this->figure->trend] ?? $this->figure->trend;
    }

    public function chart(): TrendChart
    {
        $now = $this->figure->now;
        $dates = $this->figure->dates;
        if ($dates === [] || $this->values === []) {
            throw new \LogicException("No test has a value of {$this->figure->figure}.");
        }
        $kept = self::FIGURES[$this->figure->figure][1];

        return new TrendChart(
            $dates,
            $this->values,
            $this->slope,
            $now === null ? null : $this->units->shown($kept, $now),
            $this->limit,
            $this->unit,
            $this->figure->crossesOn,
            $this->today,
            "$this->name: {$this->sentence()}",
        );
    }

    /** What the line says, with how likely chance alone would draw it. */
    public function sentence(): string
    {
        if ($this->slope === null) {
            return 'One test: a line needs two.';
        }
        $chance = $this->figure->p === null ? '' : ', by chance in ' . round(100 * $this->figure->p) . ' of 100';
        $move = abs($this->slope) < 0.005 ? "Level over {$this->figure->n} tests." : sprintf(
            '%s %.2g %s a year (%d tests%s).',
            $this->slope > 0 ? 'Rises' : 'Falls',
            abs($this->slope),
            $this->unit,
            $this->figure->n,
            $chance,
        );

        return $move . match (true) {
            $this->figure->crossesOn !== null
                => " Crosses its limit of $this->limit $this->unit about {$this->month($this->figure->crossesOn)}.",
            $this->figure->trend === 'too_few' => ' With fewer than four tests alike there is no trend yet.',
            default => '',
        };
    }

    /** The day of a crossing is not known to the day. */
    private function month(string $date): string
    {
        return gmdate('M Y', (int) strtotime("$date UTC"));
    }
}
