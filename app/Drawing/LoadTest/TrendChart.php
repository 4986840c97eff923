<?php

declare(strict_types=1);

namespace App\Drawing\LoadTest;

use App\Drawing\Ink;
use App\Drawing\Pen;

/** One figure over the years: the tests that are alike, their median slope, and the limit ahead of it. */
final readonly class TrendChart
{
    private const WIDTH = 380;
    private const HEIGHT = 170;
    private const LEFT = 48;
    private const RIGHT = 10;
    private const TOP = 26;
    private const FOOT = 138;
    private const DAY_S = 86_400;
    private const YEAR_S = 31_557_600;
    /** Farther ahead the line says little. */
    private const MOST_YEARS_AHEAD = 4;

    private Pen $pen;
    private int $fromS;
    private int $toS;
    private float $low;
    private float $high;

    /**
     * @param non-empty-list<string> $dates   of the tests, as 2026-11-26
     * @param non-empty-list<float>  $values  in $unit
     * @param ?float                 $slope   $unit a year; null with one test
     * @param ?float                 $now     where the line stands at the last test
     * @param ?string                $crosses date on which the line meets the limit
     * @param string                 $words   the chart as a sentence
     */
    public function __construct(
        private array $dates,
        private array $values,
        private ?float $slope,
        private ?float $now,
        private ?float $limit,
        private string $unit,
        private ?string $crosses,
        private string $today,
        private string $words,
        bool $isPaper = false,
    ) {
        $this->pen = new Pen(new Ink($isPaper));
        $last = max(self::seconds($this->today), self::seconds($dates[count($dates) - 1]));
        $ahead = $crosses === null ? self::YEAR_S : self::seconds($crosses) - $last + self::YEAR_S / 2;
        $this->toS = $last + (int) min(max($ahead, self::YEAR_S), self::MOST_YEARS_AHEAD * self::YEAR_S);
        $this->fromS = self::seconds($dates[0]) - 90 * self::DAY_S;
        $all = [...$values, ...($limit === null ? [] : [$limit])];
        $pad = max(0.12 * (max($all) - min($all)), 0.02 * abs(max($all)), 0.1);
        $this->low = min($all) - $pad;
        $this->high = max($all) + $pad;
    }

    public function svg(): string
    {
        return sprintf(
            '<svg class="load-chart" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s</svg>',
            self::WIDTH,
            self::HEIGHT,
            Pen::escaped($this->words),
            $this->years() . $this->limit() . $this->line() . $this->today() . $this->tests(),
        );
    }

    private function years(): string
    {
        $parts = $this->pen->rule(self::FOOT, self::LEFT, self::WIDTH - self::RIGHT, 'ink');
        $first = (int) gmdate('Y', $this->fromS) + 1;
        $last = (int) gmdate('Y', $this->toS);
        $every = (int) max(1, ceil(($last - $first + 1) / 7));
        for ($year = $first; $year <= $last; $year += $every) {
            $x = $this->x(self::seconds("$year-01-01"));
            $parts .= $this->pen->path(sprintf('M%.1f %dV%d', $x, self::TOP, self::FOOT + 5), 'hair')
                . $this->pen->text($x, self::FOOT + 22, (string) $year, 'middle', 'ink-2', 13, isFigure: true);
        }
        foreach ([min($this->values), max($this->values)] as $value) {
            if ($this->limit === null || abs($this->y($value) - $this->y($this->limit)) > 14) {
                $words = self::figure($value);
                $parts .= $this->pen->text(self::LEFT - 6, $this->y($value) + 4, $words, 'end', 'ink-2', 13, isFigure: true);
            }
            if (abs($this->y(max($this->values)) - $this->y(min($this->values))) < 15) {
                break; // the two would stand on each other
            }
        }

        return $parts;
    }

    private function limit(): string
    {
        if ($this->limit === null) {
            return '';
        }
        $y = $this->y($this->limit);
        $words = self::figure($this->limit) . " $this->unit";

        return $this->pen->path(sprintf('M%d %.1fH%d', self::LEFT, $y, self::WIDTH - self::RIGHT), 'stop', 1.5, 'stroke-dasharray="8 4"')
            . $this->pen->text(self::LEFT + 2, $y - 5, "limit $words", colour: 'stop', size: 13, hasHalo: true);
    }

    /** Drawn through the tests, dashed ahead of them. */
    private function line(): string
    {
        if ($this->slope === null || $this->now === null || count($this->dates) < 2) {
            return '';
        }
        $lastS = self::seconds($this->dates[count($this->dates) - 1]);
        $at = fn(int $s): float => $this->now + $this->slope * ($s - $lastS) / self::YEAR_S;
        $from = self::seconds($this->dates[0]);
        $endS = $this->untilS($lastS);
        $parts = $this->pen->path(
            sprintf('M%.1f %.1fL%.1f %.1f', $this->x($from), $this->y($at($from)), $this->x($lastS), $this->y($at($lastS))),
            'ink',
            2,
        ) . $this->pen->path(
            sprintf('M%.1f %.1fL%.1f %.1f', $this->x($lastS), $this->y($at($lastS)), $this->x($endS), $this->y($at($endS))),
            'ink',
            2,
            'stroke-dasharray="5 4"',
        );
        if ($this->crosses === null || $this->limit === null || self::seconds($this->crosses) > $this->toS) {
            return $parts;
        }
        $cross = sprintf('M%.1f %.1fm-5 -5l10 10m0 -10l-10 10', $this->x(self::seconds($this->crosses)), $this->y($this->limit));

        return $parts . $this->pen->path($cross, 'ink', 2.5);
    }

    /** The line ends where the picture does. */
    private function untilS(int $lastS): int
    {
        $room = match (true) {
            $this->slope > 0 => ($this->high - (float) $this->now) / $this->slope,
            $this->slope < 0 => ((float) $this->now - $this->low) / -$this->slope,
            default => self::MOST_YEARS_AHEAD,
        };

        return (int) min($this->toS, $lastS + max(0, $room) * self::YEAR_S);
    }

    private function today(): string
    {
        $x = $this->x(self::seconds($this->today));

        return $this->pen->path(sprintf('M%.1f %dV%d', $x, self::TOP - 8, self::FOOT), 'steel', 2)
            . $this->pen->text($x - 5, self::TOP - 10, 'today', 'end', 'ink-2', 13);
    }

    private function tests(): string
    {
        $parts = '';
        foreach ($this->values as $i => $value) {
            $parts .= $this->pen->shape(
                sprintf('M%.1f %.1fl6 11h-12z', $this->x(self::seconds($this->dates[$i])), $this->y($value) - 6),
                'ink',
            );
        }
        $value = $this->values[count($this->values) - 1];
        $x = $this->x(self::seconds($this->dates[count($this->dates) - 1]));
        $words = self::figure($value) . " $this->unit";
        $isBelow = $this->limit !== null && $this->limit > $value && $this->y($value) - $this->y($this->limit) < 36;

        return $parts . $this->pen->text(
            $x - 8,
            $this->y($value) + ($isBelow ? 22 : -10),
            $words,
            'end',
            'ink',
            14,
            hasHalo: true,
            isFigure: true,
            weight: 600,
        );
    }

    private function x(int $s): float
    {
        return self::LEFT + (self::WIDTH - self::LEFT - self::RIGHT) * ($s - $this->fromS) / max(1, $this->toS - $this->fromS);
    }

    private function y(float $value): float
    {
        return self::FOOT - (self::FOOT - self::TOP) * ($value - $this->low) / ($this->high - $this->low);
    }

    private static function seconds(string $date): int
    {
        return (int) strtotime("$date UTC");
    }

    /** To a tenth, without a zero that says nothing. */
    private static function figure(float $value): string
    {
        return (string) round($value, 1);
    }
}
