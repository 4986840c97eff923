<?php

declare(strict_types=1);

namespace App\Drawing\LoadTest;

use App\Drawing\Ink;
use App\Drawing\Pen;

/** Volts and hertz around one load step, in percent of nominal, with the limits of the class and the bands to come back to. */
final readonly class TransientChart
{
    private const WIDTH = 380;
    private const LANE = 96;
    private const LEFT = 46;
    private const RIGHT = 8;
    private const TOP = 22;
    private const GAP = 28;
    private const BEFORE_S = 1.0;
    private const AFTER_S = 8.0;

    private Pen $pen;

    /**
     * @param list<array{title: string, points: list<array{float, float}>, limit: float, band: float}> $lanes seconds from the step and
     *     percent off nominal; limit and band in percent
     */
    public function __construct(private array $lanes, private string $words, bool $isPaper = false)
    {
        $this->pen = new Pen(new Ink($isPaper));
    }

    public function svg(): string
    {
        $parts = '';
        foreach ($this->lanes as $place => $lane) {
            $parts .= $this->lane($lane, self::TOP + $place * (self::LANE + self::GAP));
        }
        $foot = self::TOP + count($this->lanes) * (self::LANE + self::GAP) - self::GAP;
        for ($second = 0; $second <= self::AFTER_S; $second += 2) {
            $parts .= $this->pen->text($this->x($second), $foot + 18, "$second s", 'middle', 'ink-2', 13, isFigure: true);
        }

        return sprintf(
            '<svg class="load-chart" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s</svg>',
            self::WIDTH,
            $foot + 26,
            Pen::escaped($this->words),
            $parts,
        );
    }

    /** For a PDF, as a picture of its own. */
    public function pdfImage(): string
    {
        return 'data:image/svg+xml;base64,' . base64_encode(str_replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ', $this->svg()));
    }

    /** @param array{title: string, points: list<array{float, float}>, limit: float, band: float} $lane */
    private function lane(array $lane, int $top): string
    {
        $values = [...array_column($lane['points'], 1), $lane['limit'], $lane['band'], -$lane['band']];
        $low = min($values) - 1;
        $high = max($values) + 1;
        $y = static fn(float $value): float => $top + self::LANE * (1 - ($value - $low) / ($high - $low));
        $across = fn(float $value): string => sprintf('M%d %.1fH%d', self::LEFT, $y($value), self::WIDTH - self::RIGHT);
        $parts = $this->pen->text(self::LEFT, $top - 6, $lane['title'], size: 13, weight: 600);
        foreach ([$lane['band'], -$lane['band']] as $band) {
            $parts .= $this->pen->path($across($band), 'ink-2', 1, 'stroke-dasharray="2 3"');
        }
        $parts .= $this->pen->path($across($lane['limit']), 'stop', 1.5, 'stroke-dasharray="8 4"');
        foreach ([0.0, $lane['limit']] as $value) {
            $parts .= $this->pen->text(self::LEFT - 5, $y($value) + 4, sprintf('%+g %%', $value), 'end', 'ink-2', 13, isFigure: true);
        }
        $d = '';
        foreach ($lane['points'] as $i => [$seconds, $value]) {
            if ($seconds >= -self::BEFORE_S && $seconds <= self::AFTER_S) {
                $d .= sprintf('%s%.1f %.1f', $d === '' ? 'M' : 'L', $this->x($seconds), $y($value));
            }
        }

        return $parts . $this->pen->path(sprintf('M%.1f %dv%d', $this->x(0), $top, self::LANE), 'steel', 1.5)
            . $this->pen->rule($top + self::LANE, self::LEFT, self::WIDTH - self::RIGHT, 'ink')
            . ($d === '' ? '' : $this->pen->path($d, 'gen', 2));
    }

    private function x(float $seconds): float
    {
        return self::LEFT + (self::WIDTH - self::LEFT - self::RIGHT) * ($seconds + self::BEFORE_S) / (self::BEFORE_S + self::AFTER_S);
    }
}
