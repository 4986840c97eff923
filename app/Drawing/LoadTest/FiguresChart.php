<?php

declare(strict_types=1);

namespace App\Drawing\LoadTest;

use App\Drawing\Ink;
use App\Drawing\Pen;

/**
 * The figures of one load test over its time, a lane each, with the marks across all of them and a cursor that stands in every lane.
 * Lines of a lane differ by their dashes, so that they can be distinguished in grey.
 */
final readonly class FiguresChart
{
    private const WIDTH = 780;
    private const LANE = 92;
    private const GAP = 26;
    private const LEFT = 64;
    private const RIGHT = 12;
    private const TOP = 54;
    private const FOOT = 40;
    private const DASHES = ['', 'stroke-dasharray="7 4"', 'stroke-dasharray="2 3"'];
    private const TICKS = 6;
    /** Where so many readings stand, a circle on each says nothing more. */
    private const MOST_CIRCLES = 150;

    private Pen $pen;
    /** @var list<FigureLane> */
    private array $lanes;
    private float $lastS;

    /**
     * @param list<FigureLane>                                   $lanes those without a value are left out
     * @param list<array{s: float, words: string, isHard: bool}> $marks
     */
    public function __construct(array $lanes, private array $marks, private string $words, bool $isPaper = false)
    {
        $this->pen = new Pen(new Ink($isPaper));
        $this->lanes = array_values(array_filter($lanes, static fn(FigureLane $one): bool => ! $one->isEmpty()));
        $last = array_column($marks, 's');
        foreach ($this->lanes as $lane) {
            foreach ($lane->lines as $line) {
                array_push($last, ...array_column($line['points'], 0));
            }
        }
        $this->lastS = max([60.0, ...$last]);
    }

    public function svg(): string
    {
        $parts = $this->marks();
        foreach ($this->lanes as $place => $lane) {
            $parts .= $this->lane($lane, $this->top($place));
        }

        return sprintf(
            '<svg class="load-chart" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s%5$s</svg>',
            self::WIDTH,
            $this->height(),
            Pen::escaped($this->words),
            $parts . $this->minutes(),
            sprintf('<path class="cursor" data-cursor d="M%d %dV%d"/>', self::LEFT, self::TOP - 6, $this->height() - self::FOOT),
        );
    }

    /** For a PDF, as a picture of its own. */
    public function pdfImage(): string
    {
        $svg = (string) preg_replace('/<path class="cursor"[^>]*>/', '', $this->svg());

        return 'data:image/svg+xml;base64,' . base64_encode(str_replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ', $svg));
    }

    public function x(float $seconds): float
    {
        return self::LEFT + (self::WIDTH - self::LEFT - self::RIGHT) * max(0.0, $seconds) / $this->lastS;
    }

    private function height(): int
    {
        return self::TOP + count($this->lanes) * (self::LANE + self::GAP) + self::FOOT - self::GAP;
    }

    private function top(int $place): int
    {
        return self::TOP + $place * (self::LANE + self::GAP);
    }

    private function lane(FigureLane $lane, int $top): string
    {
        [$low, $high] = $lane->range();
        $y = static fn(float $value): float => $top + self::LANE * (1 - ($value - $low) / ($high - $low));
        $parts = $this->pen->text(self::LEFT, $top - 7, "$lane->title, $lane->unit", size: 13, weight: 600)
            . $this->pen->rule($top + self::LANE, self::LEFT, self::WIDTH - self::RIGHT, 'ink');
        foreach ([$low + 0.08 * ($high - $low), ($low + $high) / 2, $high - 0.08 * ($high - $low)] as $value) {
            $figure = (string) round($value, $high - $low > 20 ? 0 : ($high - $low > 2 ? 1 : 2));
            $parts .= $this->pen->rule($y($value), self::LEFT, self::WIDTH - self::RIGHT)
                . $this->pen->text(self::LEFT - 8, $y($value) + 4, $figure, 'end', 'ink-2', 13, isFigure: true);
        }
        foreach ($lane->limits as $limit) {
            $d = sprintf('M%d %.1fH%d', self::LEFT, $y($limit), self::WIDTH - self::RIGHT);
            $parts .= $this->pen->path($d, 'stop', 1.5, 'stroke-dasharray="8 4"');
        }
        $nameX = self::LEFT + 12 + Pen::widthPx("$lane->title, $lane->unit");
        foreach ($lane->lines as $i => $line) {
            $parts .= $this->line($line['points'], $y, self::DASHES[$i % 3]);
            if (count($lane->lines) > 1) {
                $parts .= $this->pen->path(sprintf('M%.1f %dh24', $nameX, $top - 11), 'steel', 2, self::DASHES[$i % 3])
                    . $this->pen->text($nameX + 29, $top - 7, $line['name'], size: 13);
                $nameX += 48 + Pen::widthPx($line['name']);
            }
        }

        return $parts;
    }

    /**
     * @param list<array{float, float}> $points
     * @param \Closure(float): float    $y
     */
    private function line(array $points, \Closure $y, string $dash): string
    {
        $d = $circles = '';
        foreach ($points as $i => [$seconds, $value]) {
            $d .= sprintf('%s%.1f %.1f', $i === 0 ? 'M' : 'L', $this->x($seconds), $y($value));
            $circles .= sprintf(
                '<circle cx="%.1f" cy="%.1f" r="2.5" fill="%s"/>',
                $this->x($seconds),
                $y($value),
                $this->pen->ink->colour('steel'),
            );
        }

        return $d === '' ? '' : $this->pen->path($d, 'steel', 2, $dash) . (count($points) > self::MOST_CIRCLES ? '' : $circles);
    }

    private function marks(): string
    {
        $parts = '';
        $until = -INF;
        $row = 0;
        foreach ($this->marks as $mark) {
            $x = $this->x($mark['s']);
            $colour = $mark['isHard'] ? 'stop' : 'ink-2';
            $row = $x < $until ? 1 - $row : 0; // names that would stand on each other take turns
            $until = $x + Pen::widthPx($mark['words']) + 8;
            $anchor = $until > self::WIDTH ? 'end' : 'start';
            $parts .= $this->pen->path(
                sprintf('M%.1f %dV%d', $x, 2 + 14 * $row, $this->height() - self::FOOT),
                $colour,
                1,
                'stroke-dasharray="1 3"',
            )
                . $this->pen->text($x + ($anchor === 'end' ? -4 : 4), 12 + 14 * $row, $mark['words'], $anchor, $colour, 13);
        }

        return $parts;
    }

    private function minutes(): string
    {
        $parts = '';
        $foot = $this->height() - self::FOOT;
        $stepMin = max(1, (int) ceil($this->lastS / 60 / self::TICKS));
        $stepMin = $stepMin > 4 ? (int) (ceil($stepMin / 5) * 5) : $stepMin;
        for ($minute = 0; $minute * 60 <= $this->lastS; $minute += $stepMin) {
            $x = $this->x($minute * 60.0);
            $parts .= $this->pen->path(sprintf('M%.1f %dv6', $x, $foot), 'ink')
                . $this->pen->text($x, $foot + 20, "$minute", 'middle', 'ink-2', 13, isFigure: true);
        }

        return $parts . $this->pen->text(self::WIDTH - self::RIGHT, $foot + 36, 'minutes from the first reading', 'end', 'ink-2', 13);
    }
}
