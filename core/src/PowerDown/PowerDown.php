<?php

declare(strict_types=1);

namespace Escapement\Core\PowerDown;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;

/**
 * How long a house is dark on the day its switch goes in, and what has to happen in that time.
 *
 * What needs no dead supply and can go before goes before; what waits for dark work goes after; the rest stands in the
 * dark window, between the opening (isolated, locked, proved dead) and the closing. Minutes count from the opening. Rule:
 * docs/rules.md#power-down.
 */
final readonly class PowerDown
{
    /** An hour is what a house bears well. */
    private const GOOD_MIN = 60;

    public function answer(PowerDownInput $in): CalculationResult
    {
        [$open, $close, $tasks] = [$in->open, $in->close, $in->tasks];
        $phases = $this->phases($tasks);
        $of = static fn(string $phase): array => array_values(array_filter(
            $tasks,
            static fn(Task $task): bool => $phases[$task->at] === $phase,
        ));
        $dark = $this->table($of('dark'));
        $hasWindow = $dark->starts !== [];
        $windowMin = $hasWindow ? $open->minutes + $dark->minutes + $close->minutes : 0;
        $before = $this->table($this->reversed($of('before')));
        $after = $this->table($of('after'));

        $rows = [];
        $critical = $dark->critical();
        foreach ($tasks as $task) {
            $start = match ($phases[$task->at]) {
                'before' => -$before->starts[$task->at] - $task->minutes,
                'dark' => $open->minutes + $dark->starts[$task->at],
                default => $windowMin + $after->starts[$task->at],
            };
            $rows[] = $this->row($task, $phases[$task->at], $start, isset($critical[$task->at]));
        }
        if ($hasWindow) {
            $rows[] = $this->row($open, 'dark', 0, true);
            $rows[] = $this->row($close, 'dark', $windowMin - $close->minutes, true);
        }
        usort($rows, static fn(array $a, array $b): int => [$a['start_min'], $a['finish_min']] <=> [$b['start_min'], $b['finish_min']]);

        $working = new Working();
        $working->add('Dark', "$open->minutes min to open + $dark->minutes min of work + $close->minutes min to close", $windowMin, 'min');
        $working->add('Longest chain of dark work', 'tasks that wait for each other, by any person', $dark->pathMinutes, 'min');
        foreach ($dark->work as $name => $minutes) {
            $working->add("Dark work of $name", 'the sum of the tasks', $minutes, 'min');
        }

        return new CalculationResult([
            'window_min' => $windowMin,
            'shortest' => $dark->isShortest,
            'bound_min' => $hasWindow ? $open->minutes + $dark->bound() + $close->minutes : 0,
            'before_min' => $before->minutes, 'after_min' => $after->minutes, 'tasks' => $rows,
        ], $this->judge($windowMin, $in, $dark, $of('dark')), $working->lines);
    }

    /** @return array{id: string, name: string, who: list<string>, phase: string, start_min: int, finish_min: int, critical: bool} */
    private function row(Task $task, string $phase, int $start, bool $isCritical): array
    {
        return [
            'id' => $task->id,
            'name' => $task->name,
            'who' => $task->who,
            'phase' => $phase,
            'start_min' => $start,
            'finish_min' => $start + $task->minutes,
            'critical' => $isCritical,
        ];
    }

    /**
     * @param list<Task> $inWindow
     *
     * @return list<Finding>
     */
    private function judge(int $windowMin, PowerDownInput $in, Timetable $dark, array $inWindow): array
    {
        $findings = new Findings();
        if ($in->promisedMin !== null && $windowMin > $in->promisedMin) {
            $over = $windowMin - $in->promisedMin;
            $findings->raise(
                'longer-than-promised',
                ['window_min' => $windowMin, 'over' => $over],
                $this->ids(array_intersect_key(array_column($inWindow, null, 'at'), $dark->critical())),
            );
        }
        if ($windowMin > self::GOOD_MIN) {
            $findings->raise($in->isHotDay ? 'hot-day' : 'over-an-hour', ['window_min' => $windowMin]);
        }
        $between = array_values(array_filter($inWindow, static fn(Task $task): bool => ! $task->dark));
        if ($between !== []) {
            $findings->raise('stands-between-dark-work', [], $this->ids($between));
        }
        $hands = $dark->work === [] ? 0 : max($dark->work);
        if ($hands > $dark->pathMinutes) {
            $who = (string) array_search($hands, $dark->work, true);
            $findings->raise('one-pair-of-hands', ['who' => $who, 'hands' => $hands, 'path_minutes' => $dark->pathMinutes], [$who]);
        }
        if ($inWindow === []) {
            $findings->raise('nothing-dark');
        }
        if (! $dark->isShortest) {
            $findings->raise('not-proved-shortest');
        }

        return $findings->all();
    }

    /**
     * @param array<int, Task> $tasks
     *
     * @return list<string>
     */
    private function ids(array $tasks): array
    {
        return array_values(array_map(static fn(Task $task): string => $task->id, $tasks));
    }

    /**
     * @param list<Task> $tasks sorted
     *
     * @return array<int, string> before, dark or after
     */
    private function phases(array $tasks): array
    {
        $hasDarkBefore = $hasDarkBehind = [];
        foreach ($tasks as $task) {
            $hasDarkBefore[$task->at] = $task->dark || in_array(true, array_intersect_key($hasDarkBefore, array_flip($task->after)), true);
        }
        foreach (array_reverse($tasks) as $task) {
            $hasDarkBehind[$task->at] = $task->dark || ($hasDarkBehind[$task->at] ?? false);
            foreach ($task->after as $before) {
                $hasDarkBehind[$before] = $hasDarkBehind[$task->at] || ($hasDarkBehind[$before] ?? false);
            }
        }
        $phases = [];
        foreach ($tasks as $task) {
            $phases[$task->at] = match (true) {
                $hasDarkBefore[$task->at] && $hasDarkBehind[$task->at] => 'dark',
                $hasDarkBefore[$task->at] => 'after',
                default => 'before',
            };
        }

        return $phases;
    }

    /**
     * A timetable of these alone: what they wait for elsewhere is over by then.
     *
     * @param list<Task> $tasks
     */
    private function table(array $tasks): Timetable
    {
        $here = array_column($tasks, 'at');

        return new Timetable(array_map(
            static fn(Task $task): Task => $task->waitingFor(array_values(array_intersect($task->after, $here))),
            $tasks,
        ));
    }

    /**
     * The same work backwards, to end it all at the opening.
     *
     * @param list<Task> $tasks sorted
     *
     * @return list<Task>
     */
    private function reversed(array $tasks): array
    {
        $behind = [];
        foreach ($tasks as $task) {
            foreach ($task->after as $before) {
                $behind[$before][] = $task->at;
            }
        }

        return array_map(static fn(Task $task): Task => $task->waitingFor($behind[$task->at] ?? []), array_reverse($tasks));
    }
}
