<?php

declare(strict_types=1);

namespace Escapement\Core\PowerDown;

/**
 * Tasks put as early as those who do them allow: nobody is in two places, nothing begins before what it waits for.
 *
 * A shortest timetable is among those in which no task can be pulled forward; each of these comes from putting the tasks in the
 * order of their starts, each at its earliest minute, and never one that begins after another could be over. These orders are
 * searched depth first, the longest way to the end first; a branch whose least is no better than the best is left.
 */
final class Timetable
{
    /** The first order is good already, and most plans of a day end long before. */
    private const MOST_STEPS = 2_000;

    /** @var array<int, int> start of each task, minutes from the first */
    public array $starts = [];
    public readonly int $minutes;
    /** The longest way through tasks that wait for each other, by any person. */
    public readonly int $pathMinutes;
    /** @var array<array-key, int> minutes of work of each person */
    public readonly array $work;
    public readonly bool $isShortest;
    /** @var array<int, Task> */
    private array $tasks = [];
    /** @var array<int, int> from the start of a task to the end of all that waits for it */
    private array $tails = [];
    private int $steps = 0;
    private ?int $best = null;

    /** @param list<Task> $tasks in an order in which each stands behind what it waits for */
    public function __construct(array $tasks)
    {
        $work = [];
        foreach ($tasks as $task) {
            $this->tasks[$task->at] = $task;
            foreach ($task->who as $name) {
                $work[$name] = ($work[$name] ?? 0) + $task->minutes;
            }
        }
        foreach (array_reverse($tasks) as $task) {
            $this->tails[$task->at] = $task->minutes + ($this->tails[$task->at] ?? 0);
            foreach ($task->after as $at) {
                $this->tails[$at] = max($this->tails[$at] ?? 0, $this->tails[$task->at]);
            }
        }
        $this->pathMinutes = $this->tails === [] ? 0 : max($this->tails);
        $this->work = $work;
        $this->search([], [], 0);
        $this->minutes = (int) $this->best;
        $this->isShortest = $this->steps <= self::MOST_STEPS || $this->minutes === $this->bound();
    }

    /** How often a task was set next in the search for a shorter one. */
    public function steps(): int
    {
        return $this->steps;
    }

    /** Less than this it cannot take with these people. */
    public function bound(): int
    {
        return max([$this->pathMinutes, ...array_values($this->work)]);
    }

    /**
     * A minute more for one of these and, in this order, the whole takes longer.
     *
     * @return array<int, true>
     */
    public function critical(): array
    {
        $critical = [];
        $finish = fn(int $at): int => $this->starts[$at] + $this->tasks[$at]->minutes;
        $order = array_keys($this->tasks);
        usort($order, fn(int $a, int $b): int => $this->starts[$b] <=> $this->starts[$a]);
        foreach ($order as $at) {
            $pushes = $finish($at) === $this->minutes;
            foreach (array_keys($critical) as $next) {
                $meets = in_array($at, $this->tasks[$next]->after, true) || array_intersect(
                    $this->tasks[$at]->who,
                    $this->tasks[$next]->who,
                ) !== [];
                $pushes = $pushes || $meets && $finish($at) === $this->starts[$next];
            }
            if ($pushes) {
                $critical[$at] = true;
            }
        }

        return $critical;
    }

    /**
     * @param array<int, int>                       $starts
     * @param array<array-key, list<array{int, int}>> $busy   of each person
     */
    private function search(array $starts, array $busy, int $lastStart): void
    {
        $earliest = $this->earliest($starts, $busy);
        if ($earliest === []) {
            $this->keep($starts);

            return;
        }
        if ($earliest === null || $this->best !== null && $this->leastForPeople($earliest) >= $this->best) {
            return;
        }
        foreach ($this->next($earliest) as $next) {
            if ($this->best !== null && ($this->best === $this->bound() || ++$this->steps > self::MOST_STEPS)) {
                return;
            }
            if ($this->best !== null && $earliest[$next] < $lastStart) {
                continue; // the same timetable comes from another order
            }
            $then = $busy;
            foreach ($this->tasks[$next]->who as $name) {
                $then[$name][] = [$earliest[$next], $earliest[$next] + $this->tasks[$next]->minutes];
            }
            $this->search($starts + [$next => $earliest[$next]], $then, $earliest[$next]);
        }
    }

    /** @param array<int, int> $starts of every task */
    private function keep(array $starts): void
    {
        $end = 0;
        foreach ($starts as $at => $start) {
            $end = max($end, $start + $this->tasks[$at]->minutes);
        }
        if ($this->best === null || $end < $this->best) {
            $this->best = $end;
            $this->starts = $starts;
        }
    }

    /**
     * When each task that has no start yet could begin.
     *
     * @param array<int, int>                       $starts
     * @param array<array-key, list<array{int, int}>> $busy
     *
     * @return null|array<int, int> null where this cannot be shorter than the best so far
     */
    private function earliest(array $starts, array $busy): ?array
    {
        $earliest = [];
        foreach (array_diff_key($this->tasks, $starts) as $at => $task) {
            $from = 0;
            foreach ($task->after as $before) {
                $from = max($from, ($starts[$before] ?? $earliest[$before]) + $this->tasks[$before]->minutes);
            }
            $earliest[$at] = $this->free($task, $from, $busy);
            if ($this->best !== null && $earliest[$at] + $this->tails[$at] >= $this->best) {
                return null;
            }
        }

        return $earliest;
    }

    /**
     * The tasks that can begin next: nothing before them is open, and they begin before the earliest of them is over. The one with the
     * longest chain behind it comes first.
     *
     * @param array<int, int> $earliest
     *
     * @return list<int>
     */
    private function next(array $earliest): array
    {
        $ready = array_filter(
            array_keys($earliest),
            fn(int $at): bool => array_intersect_key($earliest, array_flip($this->tasks[$at]->after)) === [],
        );
        $firstOver = PHP_INT_MAX;
        foreach ($ready as $one) {
            $firstOver = min($firstOver, $earliest[$one] + $this->tasks[$one]->minutes);
        }
        $ready = array_filter($ready, static fn(int $at): bool => $earliest[$at] < $firstOver);
        usort($ready, fn(int $a, int $b): int => [$this->tails[$b], $earliest[$a]] <=> [$this->tails[$a], $earliest[$b]]);

        return $ready;
    }

    /**
     * A person with work left does it one piece after the other, and what waits for the last of it comes on top.
     *
     * @param array<int, int> $earliest of what is left
     */
    private function leastForPeople(array $earliest): int
    {
        $from = $left = $behind = [];
        foreach ($earliest as $at => $start) {
            $task = $this->tasks[$at];
            foreach ($task->who as $name) {
                $from[$name] = min($from[$name] ?? $start, $start);
                $left[$name] = ($left[$name] ?? 0) + $task->minutes;
                $behind[$name] = min($behind[$name] ?? PHP_INT_MAX, $this->tails[$at] - $task->minutes);
            }
        }

        return max([0, ...array_map(
            static fn(int|string $name): int => $from[$name] + $left[$name] + $behind[$name],
            array_keys($from),
        )]);
    }

    /** @param array<array-key, list<array{int, int}>> $busy */
    private function free(Task $task, int $from, array $busy): int
    {
        do {
            $was = $from;
            foreach ($task->who as $name) {
                foreach ($busy[$name] ?? [] as [$start, $end]) {
                    if ($from < $end && $from + $task->minutes > $start) {
                        $from = $end;
                    }
                }
            }
        } while ($from !== $was);

        return $from;
    }
}
