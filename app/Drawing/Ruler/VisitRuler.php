<?php

declare(strict_types=1);

namespace App\Drawing\Ruler;

use App\Drawing\Ink;
use App\Drawing\Pen;

/**
 * Days of the people of a company, a ruler each: visits as boxes, the way between them as a line, hours off grey. A locked visit has
 * thick ends. Each box carries its visit, each row its person and day, for the hand that drags it.
 *
 * @phpstan-type Stop array{visit: int, from: int, to: int, arrive: int, words: string, more: string, isLocked: bool, isLate: bool,
 *     isDone: bool}
 * @phpstan-type DayRow array{user: int, date: string, label: string, works: ?array{int, int}, away: ?string, stops: list<Stop>,
 *     back: ?int}
 */
final readonly class VisitRuler
{
    private const WIDTH = 1160;
    private const LEFT = 150;
    private const ROW = 40;
    private const HEAD = 26;
    private const NAME = 24;

    private Pen $pen;

    /**
     * @param list<array{name: string, skills: string, days: list<DayRow>}> $people minutes of the day
     */
    public function __construct(private array $people, private int $fromMin, private int $toMin, bool $isPaper = false)
    {
        $this->pen = new Pen(new Ink($isPaper));
    }

    public function svg(): string
    {
        $y = self::HEAD;
        $body = '';
        foreach ($this->people as $person) {
            $body .= $this->pen->rule($y, 0, self::WIDTH, 'ink')
                . $this->pen->text(0, $y + 17, $person['name'], weight: 700) . $this->pen->text(
                    self::LEFT,
                    $y + 17,
                    $person['skills'],
                    colour: 'ink-2',
                    size: 13,
                );
            $y += self::NAME;
            foreach ($person['days'] as $day) {
                $body .= $this->day($day, $y);
                $y += self::ROW;
            }
        }

        return sprintf(
            '<svg class="visit-ruler" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="group" aria-label="%3$s">%4$s</svg>',
            self::WIDTH,
            $y + 6,
            'Visits by person and day',
            $this->hours() . $body,
        );
    }

    private function hours(): string
    {
        $parts = '';
        for ($minute = (int) (ceil($this->fromMin / 60) * 60); $minute <= $this->toMin; $minute += 60) {
            $words = sprintf('%02d:00', intdiv($minute, 60));
            $parts .= $this->pen->text($this->x($minute), 16, $words, 'middle', 'ink-2', 13, isFigure: true);
        }

        return $parts;
    }

    /** @param DayRow $day */
    private function day(array $day, int $y): string
    {
        $foot = $y + self::ROW - 6;
        $parts = $this->pen->text(self::LEFT - 10, $y + 22, $day['label'], 'end', 'ink-2', 13) . $this->off($day['works'], $y);
        if ($day['away'] !== null) {
            $parts .= $this->pen->plate(self::LEFT + 8, $y + 22, "Away: {$day['away']}", self::WIDTH);
        }
        $at = $day['works'][0] ?? $this->fromMin;
        foreach ($day['stops'] as $stop) {
            $parts .= $this->way($at, $stop['arrive'], $stop['from'], $y + 18);
            $at = $stop['to'];
        }
        if ($day['back'] !== null) {
            $parts .= $this->way($at, $day['back'], $day['back'], $y + 18)
                . $this->pen->ink->rect(
                    $this->x($day['back']) - 3,
                    $y + 15,
                    6,
                    6,
                    $this->pen->ink->colour('sheet'),
                    $this->pen->ink->colour('ink'),
                );
        }
        foreach ($day['stops'] as $stop) {
            $parts .= $this->box($stop, $y);
        }

        return sprintf(
            '<g data-slot="%d/%s">%s%s</g>',
            $day['user'],
            $day['date'],
            $this->pen->ink->rect(self::LEFT, $y, self::WIDTH - self::LEFT, self::ROW - 2, 'transparent'),
            $parts . $this->pen->path($this->teeth($foot), 'hair'),
        );
    }

    /** @param null|array{int, int} $works minutes of the day; null: not at all */
    private function off(?array $works, int $y): string
    {
        $hatch = fn(int $from, int $to): string => $to <= $from ? ''
            : $this->pen->ink->rect(
                $this->x($from),
                $y,
                $this->x($to) - $this->x($from),
                self::ROW - 8,
                $this->pen->ink->colour('dead-tint'),
            );

        return $works === null ? $hatch($this->fromMin, $this->toMin)
            : $hatch($this->fromMin, $works[0]) . $hatch($works[1], $this->toMin);
    }

    private function way(int $from, int $arrive, int $begin, int $y): string
    {
        $minutes = $arrive - $from;
        $middle = ($this->x($from) + $this->x($arrive)) / 2;

        return $this->pen->path(sprintf('M%.1f %dH%.1f', $this->x($from), $y, $this->x($arrive)), 'ink')
            . ($begin > $arrive ? $this->pen->path(
                sprintf('M%.1f %dH%.1f', $this->x($arrive), $y, $this->x($begin)),
                'ink-2',
                1,
                'stroke-dasharray="1 3"',
            ) : '')
            . ($minutes >= 15 ? $this->pen->text($middle, $y - 4, (string) $minutes, 'middle', 'ink-2', 13, isFigure: true) : '');
    }

    /** @param Stop $stop */
    private function box(array $stop, int $y): string
    {
        $x = $this->x($stop['from']);
        $width = max(20.0, $this->x($stop['to']) - $x);
        $ends = $stop['isLocked'] ? $this->pen->ink->rect($x, $y, 5, self::ROW - 8, $this->pen->ink->colour('ink'))
            . $this->pen->ink->rect($x + $width - 5, $y, 5, self::ROW - 8, $this->pen->ink->colour('ink')) : '';
        $letters = (int) floor(($width - 14) / 7);
        $cut = static fn(string $words): string => mb_strlen($words) <= $letters ? $words : mb_substr(
            $words,
            0,
            max(1, $letters - 1),
        ) . '…';
        $length = sprintf('%d:%02d', intdiv($stop['to'] - $stop['from'], 60), ($stop['to'] - $stop['from']) % 60);
        $label = sprintf(
            '%s, %s to %s, %s%s%s',
            $stop['words'],
            self::clock($stop['from']),
            self::clock($stop['to']),
            $stop['more'],
            $stop['isLocked'] ? ', locked' : '',
            $stop['isLate'] ? ', late' : '',
        );

        return sprintf(
            '<g class="visit-box%s" data-visit="%d" tabindex="0" role="button" aria-label="%s"><title>%3$s</title>%s%s%s%s</g>',
            $stop['isDone'] ? ' is-done' : '',
            $stop['visit'],
            Pen::escaped($label),
            $this->pen->ink->rect($x, $y, $width, self::ROW - 8, $this->pen->ink->colour('sheet'), $this->pen->ink->colour('ink')),
            $ends,
            $this->pen->text($x + 8, $y + 14, $cut("{$stop['words']} $length"), size: 13, weight: 700),
            $this->pen->text($x + 8, $y + 28, $cut($stop['more']), colour: $stop['isLate'] ? 'stop' : 'ink-2', size: 13),
        );
    }

    private function teeth(int $foot): string
    {
        $d = sprintf('M%d %d', self::LEFT, $foot);
        for ($minute = $this->fromMin; $minute < $this->toMin; $minute += 60) {
            $d .= sprintf('L%.1f %dL%.1f %d', $this->x($minute + 50), $foot - 3, $this->x($minute + 60), $foot);
        }

        return $d;
    }

    private function x(float $minute): float
    {
        $share = ($minute - $this->fromMin) / max(1, $this->toMin - $this->fromMin);

        return self::LEFT + (self::WIDTH - self::LEFT - 8) * min(1.0, max(0.0, $share));
    }

    private static function clock(int $minute): string
    {
        return sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
    }
}
