<?php

declare(strict_types=1);

namespace App\Drawing\Ruler;

use App\Drawing\Ink;
use App\Drawing\Pen;

/** Days as rulers, hours as their teeth, and what starts by itself on them. Those that clash are hatched and framed. */
final readonly class DayRuler
{
    private const LEFT = 92;
    private const WIDTH = 1160;
    private const HEAD = 22;
    private const HOURS = 24;

    private Pen $pen;

    /**
     * @param list<array{label: string, isToday: bool, isOff: bool, bars: list<array{from: int, to: int, words: string, isLoaded: bool,
     *     clashes: bool}>}> $days minutes of the day
     * @param int $rowPx height of a lane: of a month, a week, a day
     */
    public function __construct(private array $days, private int $rowPx, private string $words, bool $isPaper = false)
    {
        $this->pen = new Pen(new Ink($isPaper));
    }

    public function svg(): string
    {
        $y = self::HEAD;
        $body = '';
        foreach ($this->days as $day) {
            $lanes = $this->lanes($day['bars']);
            $height = max(1, count($lanes)) * $this->rowPx + 8;
            $body .= $this->day($day, $lanes, $y, $height);
            $y += $height;
        }

        return sprintf(
            '<svg class="day-ruler" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s</svg>',
            self::WIDTH,
            $y + 4,
            Pen::escaped($this->words),
            $this->hours() . $body,
        );
    }

    private function hours(): string
    {
        $parts = '';
        for ($hour = 0; $hour <= self::HOURS; $hour += 3) {
            $parts .= $this->pen->text($this->x(60 * $hour), 14, sprintf('%02d', $hour % 24), 'middle', 'ink-2', 13, isFigure: true);
        }

        return $parts;
    }

    /**
     * @param array{label: string, isToday: bool, isOff: bool, bars: list<mixed>}                                              $day
     * @param list<list<array{from: int, to: int, words: string, isLoaded: bool, clashes: bool}>>                              $lanes
     */
    private function day(array $day, array $lanes, int $y, int $height): string
    {
        $foot = $y + $height - 4;
        $parts = $day['isOff'] ? $this->pen->ink
            ->rect(self::LEFT, $y, self::WIDTH - self::LEFT - 8, $height - 4, $this->pen->ink->colour('dead-tint')) : '';
        $parts .= $this->pen->text(0, $foot - 3, $day['label'], weight: $day['isToday'] ? 700 : 400, size: 13)
            . $this->pen->path($this->teeth($foot), 'ink', 1);
        foreach ($lanes as $lane => $bars) {
            foreach ($bars as $bar) {
                $parts .= $this->bar($bar, $y + 2 + $lane * $this->rowPx);
            }
        }

        return $parts;
    }

    private function teeth(int $foot): string
    {
        $d = sprintf('M%d %d', self::LEFT, $foot);
        for ($hour = 0; $hour < self::HOURS; $hour++) {
            $d .= sprintf(
                'L%.1f %dL%.1f %d',
                $this->x(60 * $hour + 50),
                $foot - ($hour % 6 === 5 ? 5 : 3),
                $this->x(60 * $hour + 60),
                $foot,
            );
        }

        return $d;
    }

    /** @param array{from: int, to: int, words: string, isLoaded: bool, clashes: bool} $bar */
    private function bar(array $bar, int $y): string
    {
        $x = $this->x($bar['from']);
        $width = max(5.0, $this->x($bar['to']) - $x);
        $height = $this->rowPx - 4;
        $isEnd = $x + $width + 6 + Pen::widthPx($bar['words']) > self::WIDTH;

        return $this->pen->ink->bar($bar['isLoaded'] ? 'gen' : 'gen-idle', $x, $y, $width, $height)
            . ($bar['clashes'] ? $this->pen
                ->path(sprintf('M%.1f %dh%.1fv%dh%.1fz', $x - 2, $y - 2, $width + 4, $height + 4, -$width - 4), 'stop', 2) : '')
            . $this->pen->text(
                $isEnd ? $x - 6 : $x + $width + 6,
                $y + $height - max(1, intdiv($height - 10, 2)),
                ($bar['clashes'] ? '! ' : '') . $bar['words'],
                $isEnd ? 'end' : 'start',
                $bar['clashes'] ? 'stop' : 'ink',
                13,
                hasHalo: true,
                weight: $bar['clashes'] ? 700 : 400,
            );
    }

    /**
     * Bars whose names would stand on each other go into lanes of their own.
     *
     * @param list<array{from: int, to: int, words: string, isLoaded: bool, clashes: bool}> $bars by time
     *
     * @return list<list<array{from: int, to: int, words: string, isLoaded: bool, clashes: bool}>>
     */
    private function lanes(array $bars): array
    {
        $lanes = $ends = [];
        foreach ($bars as $bar) {
            $begin = $this->x($bar['from']);
            $end = max($this->x($bar['to']), $begin + 5) + 12 + Pen::widthPx($bar['words']);
            $lane = 0;
            while (isset($ends[$lane]) && $ends[$lane] > $begin) {
                $lane++;
            }
            $lanes[$lane][] = $bar;
            $ends[$lane] = $end;
        }
        ksort($lanes);

        return array_values($lanes);
    }

    private function x(float $minute): float
    {
        return self::LEFT + (self::WIDTH - self::LEFT - 8) * min(1440.0, max(0.0, $minute)) / 1440;
    }
}
