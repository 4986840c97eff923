<?php

declare(strict_types=1);

namespace App\Stage\Plan;

/** The day as bars: one task a line, the dark window behind them. */
final readonly class PowerDownChart
{
    private const LEFT = 480;
    private const WIDTH = 540;
    private const LINE = 30;
    private const HEAD = 44;
    /** Letters of a task: what is proved dead is never cut off a usual one. */
    private const MOST = 72;

    public int $height;
    public int $width;
    private int $from;
    private float $scale;

    public function __construct(private PowerDownPage $page)
    {
        $this->from = -$page->minutes('before_min');
        $until = $page->minutes('window_min') + $page->minutes('after_min');
        $this->scale = self::WIDTH / max(1, $until - $this->from);
        $this->height = self::HEAD + self::LINE * count($page->tasks()) + 8;
        $this->width = self::LEFT + self::WIDTH + 20;
    }

    /** @return list<array{id: string, name: string, who: string, y: int, x: float, width: float, kind: string, minutes: int}> */
    public function bars(): array
    {
        $bars = [];
        foreach ($this->page->tasks() as $i => $task) {
            $bars[] = [
                'id' => ctype_digit($task['id']) ? $task['id'] : '',
                'name' => mb_strimwidth($task['name'], 0, self::MOST, '…'),
                'who' => implode(', ', $task['who']),
                'y' => self::HEAD + self::LINE * $i,
                'x' => $this->x($task['start_min']),
                'width' => round($this->scale * ($task['finish_min'] - $task['start_min']), 1),
                'kind' => $task['critical'] ? 'critical' : $task['phase'],
                'minutes' => $task['finish_min'] - $task['start_min'],
            ];
        }

        return $bars;
    }

    /** @return array{x: float, width: float} */
    public function window(): array
    {
        return ['x' => $this->x(0), 'width' => round($this->scale * $this->page->minutes('window_min'), 1)];
    }

    /** @return list<array{x: float, words: string}> the ends of the day and of the window */
    public function ticks(): array
    {
        $ticks = [];
        foreach (array_unique([
            $this->from,
            0,
            $this->page->minutes('window_min'),
            $this->page->minutes('window_min') + $this->page->minutes('after_min'),
        ]) as $minutes) {
            $ticks[] = ['x' => $this->x($minutes), 'words' => $this->page->clock($minutes)];
        }

        return $ticks;
    }

    private function x(int $minutes): float
    {
        return round(self::LEFT + $this->scale * ($minutes - $this->from), 1);
    }
}
