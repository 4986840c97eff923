<?php

declare(strict_types=1);

namespace App\Drawing\LoadTest;

use App\Drawing\Ink;
use App\Drawing\Pen;
use Escapement\Core\LoadTest\LoadTestPlanResult;
use Escapement\Core\LoadTest\PlannedStep;

/** The steps of a load test over time: what the building carries, what the bank adds, and the readings on top. */
final readonly class StepChart
{
    private const WIDTH = 780;
    private const HEIGHT = 250;
    private const LEFT = 64;
    private const RIGHT = 12;
    private const TOP = 30;
    private const FOOT = 206;
    private const TICKS = 6;

    private Pen $pen;
    private float $lastS;
    private float $mostKw;

    /** @param list<array{float, float}> $points seconds and kW of the readings */
    public function __construct(private LoadTestPlanResult $plan, private float $usableKw, private array $points, bool $isPaper = false)
    {
        $this->pen = new Pen(new Ink($isPaper));
        $this->lastS = max(60.0, 60 * $plan->totalMin, ...[...array_column($points, 0), 0.0]);
        $this->mostKw = 1.12 * max([1.0, $usableKw, ...array_column($points, 1), ...array_map(
            static fn(PlannedStep $step): float => max($step->kw, $step->targetKw),
            $plan->steps,
        )]);
    }

    public function svg(): string
    {
        return sprintf(
            '<svg class="load-chart" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s</svg>',
            self::WIDTH,
            self::HEIGHT,
            Pen::escaped($this->words()),
            $this->axes() . implode('', array_map($this->step(...), $this->plan->steps)) . $this->limit() . $this->readings(),
        );
    }

    /** For a PDF, as a picture of its own. */
    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode(str_replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ', $this->svg()));
    }

    private function words(): string
    {
        $steps = array_map(
            static fn(PlannedStep $step): string => sprintf('%g percent for %g minutes', $step->levelPct, $step->minutes),
            $this->plan->steps,
        );

        return 'Steps of the load test: ' . implode(', ', $steps) . '. Readings: ' . count($this->points) . '.';
    }

    private function axes(): string
    {
        $parts = $this->pen->text(0, 16, 'kW', weight: 600) . $this->pen->rule(self::FOOT, self::LEFT, self::WIDTH - self::RIGHT, 'ink');
        foreach ([0.25, 0.5, 0.75, 1.0] as $share) {
            $kw = $share * $this->usableKw;
            $y = $this->y($kw);
            $parts .= $this->pen->rule($y, self::LEFT, self::WIDTH - self::RIGHT)
                . $this->pen->text(self::LEFT - 8, $y + 4, (string) round($kw, 1), 'end', 'ink-2', 13, isFigure: true);
        }
        $stepMin = max(5, (int) (ceil($this->lastS / 60 / self::TICKS / 5) * 5));
        for ($minute = 0; $minute * 60 <= $this->lastS; $minute += $stepMin) {
            $x = $this->x($minute * 60.0);
            $parts .= $this->pen->path(sprintf('M%.1f %dv6', $x, self::FOOT), 'ink')
                . $this->pen->text($x, self::FOOT + 22, "$minute", 'middle', 'ink-2', 13, isFigure: true);
        }

        $words = 'minutes from the start of the warm-up';

        return $parts . $this->pen->text(self::WIDTH - self::RIGHT, self::HEIGHT - 4, $words, 'end', 'ink-2', 13);
    }

    private function step(PlannedStep $step): string
    {
        $x = $this->x($step->startS);
        $width = $this->x($step->endS) - $x;
        $buildingKw = $step->kw - $step->bankKw;
        $foot = $this->y($buildingKw);
        $parts = $this->pen->ink->bar('gen', $x, $foot, $width, self::FOOT - $foot);
        if ($step->bankKw > 0) {
            $parts .= $this->pen->ink->bar('gen-idle', $x, $this->y($step->kw), $width, $foot - $this->y($step->kw));
        }
        $level = sprintf('M%.1f %.1fH%.1f', $x, $this->y($step->targetKw), $x + $width);
        $parts .= $this->pen->path($level, 'ink', 2, 'stroke-dasharray="6 3"');
        $words = sprintf('%g %%', $step->levelPct);

        return $parts . $this->pen->plate($x + 3, max(self::TOP + 12, $this->y(max($step->kw, $step->targetKw)) - 6), $words, $x + $width);
    }

    private function limit(): string
    {
        $y = $this->y($this->usableKw);

        return $this->pen->path(sprintf('M%d %.1fH%d', self::LEFT, $y, self::WIDTH - self::RIGHT), 'stop', 1.5, 'stroke-dasharray="8 4"')
            . $this->pen->text(
                self::WIDTH - self::RIGHT,
                $y - 6,
                sprintf('the set gives %.4g kW here', $this->usableKw),
                'end',
                'stop',
                13,
                hasHalo: true,
            );
    }

    private function readings(): string
    {
        $d = '';
        $marks = '';
        foreach ($this->points as $i => [$seconds, $kw]) {
            $d .= sprintf('%s%.1f %.1f', $i === 0 ? 'M' : 'L', $this->x($seconds), $this->y($kw));
            $marks .= sprintf(
                '<circle cx="%.1f" cy="%.1f" r="5" fill="%s" stroke="%s" stroke-width="2"/>',
                $this->x($seconds),
                $this->y($kw),
                $this->pen->ink->colour('sheet'),
                $this->pen->ink->colour('steel'),
            );
        }

        return ($d === '' ? '' : $this->pen->path($d, 'steel', 2)) . $marks;
    }

    private function x(float $seconds): float
    {
        return self::LEFT + (self::WIDTH - self::LEFT - self::RIGHT) * $seconds / $this->lastS;
    }

    private function y(float $kw): float
    {
        return self::FOOT - (self::FOOT - self::TOP) * $kw / $this->mostKw;
    }
}
