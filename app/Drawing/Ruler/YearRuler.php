<?php

declare(strict_types=1);

namespace App\Drawing\Ruler;

use App\Drawing\Ink;
use App\Drawing\Pen;

/**
 * Sixteen months of one switch as a ruler: exercises as ticks, load tests as teeth, what is due and what is late, the season of storms, and
 * today.
 */
final readonly class YearRuler
{
    private const HEIGHT = 44;
    private const FOOT = 32;
    private const BACK_DAYS = 365;
    private const AHEAD_DAYS = 122;
    private const DAY_S = 86_400;
    private const MONTHS = 16;
    private const WIDE_PX = 500;

    private Pen $pen;
    private int $from;

    /**
     * @param int                          $today     as days since 1970
     * @param list<int>                    $exercises days, to come
     * @param list<array{int, bool}>       $done      days of exercises written down, and whether they took place
     * @param list<array{int, bool}>       $tests     days of load tests, and whether they passed
     * @param list<array{int, string}>     $due       days to come, and what is due
     * @param ?int                         $lateFrom  since when a load test is late; null: it is not
     * @param null|array{int, int}         $storms    first and last month of their season, 1 to 12
     */
    public function __construct(
        private int $today,
        private array $exercises,
        private array $done,
        private array $tests,
        private array $due,
        private int $width,
        bool $isPaper = false,
        private ?int $lateFrom = null,
        private ?array $storms = null,
    ) {
        $this->pen = new Pen(new Ink($isPaper));
        $this->from = $today - self::BACK_DAYS;
    }

    public function svg(bool $hasMonths = true): string
    {
        $top = $hasMonths ? 16 : 0;
        $body = $this->storms($top) . $this->months($hasMonths) . $this->late($top) . $this->pen
            ->rule($top + self::FOOT, 0, $this->width, 'ink');
        foreach ($this->exercises as $day) {
            $body .= $this->isInside($day) ? $this->pen->path(sprintf('M%.1f %dv6', $this->x($day), $top + self::FOOT), 'edge', 1) : '';
        }
        foreach ($this->done as [$day, $isDone]) {
            $x = $this->x($day);
            $body .= ! $this->isInside($day) ? '' : ($isDone
                ? $this->pen->path(sprintf('M%.1f %dv6', $x, $top + self::FOOT), 'ink', 1.4)
                : $this->pen->path(sprintf('M%.1f %.1fl6 6m0 -6l-6 6', $x - 3, $top + self::FOOT + 1), 'stop', 1.6));
        }
        foreach ($this->tests as [$day, $isPassed]) {
            $body .= $this->isInside($day) ? $this->tooth($this->x($day), $top, $isPassed ? 'ink' : 'stop', true) : '';
        }
        foreach ($this->due as [$day]) {
            $body .= $this->isInside($day) ? $this->tooth($this->x($day), $top, 'ink', false) : '';
        }
        $x = $this->x($this->today);
        $body .= $this->pen->path(sprintf('M%.1f %dV%d', $x, $hasMonths ? 2 : 0, $top + self::HEIGHT - 4), 'steel', 2);

        return sprintf(
            '<svg class="year-ruler" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" role="img" aria-label="%4$s">%3$s</svg>',
            $this->width,
            $top + self::HEIGHT,
            $body,
            Pen::escaped($this->words()),
        );
    }

    private function words(): string
    {
        $missed = count(array_filter($this->done, static fn(array $one): bool => ! $one[1]));

        return sprintf(
            'The last twelve months and the next four: %d load tests, %d exercises written down, %d of them missed, %d things due%s.',
            count($this->tests),
            count($this->done),
            $missed,
            count($this->due),
            $this->lateFrom === null ? '' : ', the load test is ' . ($this->today - $this->lateFrom) . ' days late',
        );
    }

    /** Hatched where storms are to be expected. */
    private function storms(int $top): string
    {
        if ($this->storms === null) {
            return '';
        }
        [$first, $last] = $this->storms;
        $drawn = '';
        $month = (new \DateTimeImmutable('@' . $this->from * self::DAY_S))->modify('first day of this month');
        for ($i = 0; $i < self::MONTHS + 1; $i++, $month = $month->modify('+1 month')) {
            $number = (int) $month->format('n');
            if ($first <= $last ? $number < $first || $number > $last : $number < $first && $number > $last) {
                continue;
            }
            $from = max($this->from, intdiv($month->getTimestamp(), self::DAY_S));
            $to = min($this->today + self::AHEAD_DAYS, intdiv($month->modify('+1 month')->getTimestamp(), self::DAY_S));
            if ($from < $to) {
                $drawn .= $this->pen->ink->bar('storm', $this->x($from), $top, $this->x($to) - $this->x($from), self::HEIGHT - 4);
            }
        }

        return $drawn;
    }

    private function late(int $top): string
    {
        if ($this->lateFrom === null || $this->lateFrom >= $this->today) {
            return '';
        }
        $x = $this->x(max($this->from, $this->lateFrom));

        return $this->pen->ink->bar('late', $x, $top + self::FOOT - 10, $this->x($this->today) - $x, 10);
    }

    private function months(bool $hasNames): string
    {
        $drawn = '';
        $month = (new \DateTimeImmutable('@' . $this->from * self::DAY_S))->modify('first day of next month');
        for ($i = 0; $i < self::MONTHS; $i++, $month = $month->modify('+1 month')) {
            $day = intdiv($month->getTimestamp(), self::DAY_S);
            if (! $this->isInside($day)) {
                continue;
            }
            $x = $this->x($day);
            $drawn .= $this->pen->path(sprintf('M%.1f %dv%d', $x, $hasNames ? 8 : 0, self::HEIGHT), 'hair', .8);
            $drawn .= $hasNames ? $this->pen->text($x + 3, 12, $this->name($month), colour: 'ink-2', size: 12) : '';
        }

        return $drawn;
    }

    /** One letter where there is no room for more. */
    private function name(\DateTimeImmutable $month): string
    {
        return match (true) {
            $this->width < self::WIDE_PX => $month->format('M')[0],
            $month->format('n') === '1' => $month->format('Y'),
            default => $month->format('M'),
        };
    }

    private function tooth(float $x, int $top, string $colour, bool $isFull): string
    {
        $d = sprintf('M%.1f %dl7 -22h3l4 22z', $x - 7, $top + self::FOOT);

        return $isFull ? $this->pen->shape($d, $colour) : $this->pen->path($d, $colour, 1.4);
    }

    private function isInside(int $day): bool
    {
        return $day >= $this->from && $day <= $this->today + self::AHEAD_DAYS;
    }

    private function x(int $day): float
    {
        return ($day - $this->from) * $this->width / (self::BACK_DAYS + self::AHEAD_DAYS);
    }
}
