<?php

declare(strict_types=1);

namespace App\Drawing\Ruler;

use App\Drawing\Ink;
use App\Drawing\Pen;

/** The appointments of one person on one day: the hours are teeth, filled once they are over, and each appointment is a box beside them. */
final readonly class DayTeeth
{
    private const WIDTH = 318;
    private const HOUR = 45;
    private const LEFT = 58;
    private const BOX = 86;
    private const TOP = 10;
    private const FIRST_HOUR = 8;
    private const LAST_HOUR = 17;
    private const LEAST_PX = 40;

    private Pen $pen;
    private int $first;
    private int $last;

    /**
     * @param list<array{from: int, to: int, title: string, words: string, url: string}> $stops in minutes of the day
     * @param ?int                                                                       $now   minute of the day; null: another day
     */
    public function __construct(private array $stops, private ?int $now)
    {
        $this->pen = new Pen(new Ink(false));
        $this->first = min([self::FIRST_HOUR, ...array_map(static fn(array $one): int => intdiv($one['from'], 60), $stops)]);
        $this->last = max([self::LAST_HOUR, ...array_map(static fn(array $one): int => intdiv($one['to'] + 59, 60), $stops)]);
    }

    public function svg(): string
    {
        $body = '';
        for ($hour = $this->first; $hour < $this->last; $hour++) {
            $y = $this->y(60 * $hour);
            $d = sprintf('M%d %.1fv%d l18 -4v-8z', self::LEFT, $y, self::HOUR);
            $body .= ($this->now !== null
                && 60 * ($hour + 1) <= $this->now ? $this->pen->shape($d, 'ink') : $this->pen->path($d, 'ink', 1.2))
                . $this->pen->text(self::LEFT - 8, $y + 5, sprintf('%02d:00', $hour), 'end', 'ink-2', 14, isFigure: true);
        }
        foreach ($this->stops as $stop) {
            $body .= $this->box($stop);
        }
        if ($this->now !== null && $this->now >= 60 * $this->first && $this->now <= 60 * $this->last) {
            $y = $this->y($this->now);
            $body .= $this->pen->path(sprintf('M%d %.1fH%d', self::LEFT - 4, $y, self::BOX - 4), 'steel', 2.5)
                . $this->pen->ink->rect(0, $y - 10, self::LEFT - 4, 20, $this->pen->ink->colour('steel'))
                . $this->pen->text(
                    self::LEFT - 8,
                    $y + 5,
                    sprintf('%02d:%02d', intdiv($this->now, 60), $this->now % 60),
                    'end',
                    'sheet',
                    14,
                    isFigure: true,
                    weight: 600,
                );
        }

        return sprintf(
            '<svg class="day-teeth" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="group" aria-label="%4$s">%3$s</svg>',
            self::WIDTH,
            (int) ($this->y(60 * $this->last) + 4),
            $body,
            Pen::escaped(implode('; ', array_map(
                static fn(array $one): string => sprintf('%02d:%02d %s', intdiv($one['from'], 60), $one['from'] % 60, $one['title']),
                $this->stops,
            ))),
        );
    }

    /** @param array{from: int, to: int, title: string, words: string, url: string} $stop */
    private function box(array $stop): string
    {
        $y = $this->y($stop['from']);
        $height = max(self::LEAST_PX, $this->y($stop['to']) - $y);
        $width = self::WIDTH - self::BOX - 1;

        return sprintf('<a href="%s">', Pen::escaped($stop['url']))
            . $this->pen->ink->rect(self::BOX, $y, $width, $height, $this->pen->ink->colour('sheet'), $this->pen->ink->colour('ink'))
            . $this->pen->ink->rect(self::BOX, $y, 6, $height, $this->pen->ink->colour('ink'))
            . $this->pen->text(self::BOX + 16, $y + 17, self::short($stop['title'], 27), size: 15, weight: 600)
            . $this->pen->text(self::BOX + 16, $y + 34, self::short($stop['words'], 34), colour: 'ink-2', size: 13)
            . '</a>';
    }

    private static function short(string $words, int $most): string
    {
        return mb_strlen($words) <= $most ? $words : mb_substr($words, 0, $most - 1) . '…';
    }

    private function y(int $minute): float
    {
        return self::TOP + ($minute / 60 - $this->first) * self::HOUR;
    }
}
