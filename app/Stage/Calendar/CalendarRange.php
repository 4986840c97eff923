<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use Escapement\Core\Schedule\Day;

/** Which days a view of the calendar shows. */
final readonly class CalendarRange
{
    public const VIEWS = ['day' => 'Day', 'week' => 'Week', 'month' => 'Month'];

    public int $from;
    public int $to;

    public function __construct(public string $view, private int $on)
    {
        [$this->from, $this->to] = match ($view) {
            'day' => [$on, $on],
            'week' => [$on - Day::weekday($on), $on - Day::weekday($on) + 6],
            default => [$on - Day::ofMonth($on) + 1, $on - Day::ofMonth($on) + Day::lastOfMonth($on)],
        };
    }

    public function title(): string
    {
        return match ($this->view) {
            'day' => gmdate('D j M Y', $this->on * Day::S),
            'week' => gmdate('j M', $this->from * Day::S) . ' to ' . gmdate('j M Y', $this->to * Day::S),
            default => gmdate('F Y', $this->from * Day::S),
        };
    }

    public function before(): string
    {
        return Day::write($this->from - 1);
    }

    public function after(): string
    {
        return Day::write($this->to + 1);
    }

    public function day(): string
    {
        return Day::write($this->on);
    }
}
