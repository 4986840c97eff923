<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\PowerDown;

use Escapement\Core\PowerDown\Task;
use Escapement\Core\PowerDown\Timetable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The shortest day: held against every order there is, and against how little of them has to be looked at. */
final class TimetableTest extends TestCase
{
    #[Test]
    public function nothing_to_do_takes_no_time(): void
    {
        $table = new Timetable([]);
        self::assertSame([0, 0, 0, [], true], [$table->minutes, $table->pathMinutes, $table->bound(), $table->starts, $table->isShortest]);
    }

    #[Test, DataProvider('smallDays')]
    public function no_order_of_the_tasks_takes_less(int $seed): void
    {
        $tasks = self::day($seed, 5, 3, 12);
        $table = new Timetable($tasks);
        $least = PHP_INT_MAX;
        foreach (self::orders(array_keys($tasks)) as $order) {
            $least = min($least, self::serial($tasks, $order));
        }
        self::assertSame($least, $table->minutes);
        self::assertTrue($table->isShortest);
        self::assertGreaterThanOrEqual($table->bound(), $table->minutes);
    }

    #[Test, DataProvider('smallDays')]
    public function nobody_is_in_two_places_and_nothing_begins_early(int $seed): void
    {
        $tasks = self::day($seed, 7, 3, 12);
        $table = new Timetable($tasks);
        foreach ($tasks as $at => $task) {
            foreach ($task->after as $before) {
                self::assertGreaterThanOrEqual($table->starts[$before] + $tasks[$before]->minutes, $table->starts[$at]);
            }
            foreach ($tasks as $other => $with) {
                $isShared = $other !== $at && array_intersect($task->who, $with->who) !== [];
                $meets = $table->starts[$other] < $table->starts[$at] + $task->minutes
                    && $table->starts[$at] < $table->starts[$other] + $with->minutes;
                self::assertFalse($isShared && $meets, "$at and $other");
            }
        }
    }

    #[Test, DataProvider('smallDays')]
    public function a_minute_more_tells_where_there_is_no_slack(int $seed): void
    {
        $tasks = self::day($seed, 6, 2, 9);
        $table = new Timetable($tasks);
        $order = array_keys($tasks);
        usort($order, static fn(int $a, int $b): int => $table->starts[$a] <=> $table->starts[$b]);
        foreach ($tasks as $at => $task) {
            $longer = $tasks;
            $longer[$at] = new Task($at, $task->id, $task->name, $task->who, $task->minutes + 1, $task->after, true);
            $isLater = self::inOrder($longer, $order) > $table->minutes;
            self::assertSame($isLater, isset($table->critical()[$at]), "task $at");
        }
    }

    /** @return iterable<string, array{int}> */
    public static function smallDays(): iterable
    {
        for ($seed = 1; $seed <= 25; $seed++) {
            yield "day $seed" => [$seed];
        }
    }

    /**
     * What ends the search early is looked at here: a bound that says less, and more orders are tried.
     */
    #[Test, DataProvider('longDays')]
    public function the_search_tries_no_more_orders_than_it_must(
        int $seed,
        int $count,
        int $people,
        int $minutes,
        int $steps,
        bool $isProved,
    ): void {
        $table = new Timetable(self::day($seed, $count, $people, 60));
        self::assertSame([$minutes, $steps, $isProved], [$table->minutes, $table->steps(), $table->isShortest]);
    }

    /** @return iterable<string, array{int, int, int, int, int, bool}> seed, tasks, people, minutes, steps, proved */
    public static function longDays(): iterable
    {
        $days = [
            [1, 8, 3, 164, 102, true],
            [2, 8, 3, 115, 17, true],
            [3, 8, 3, 215, 8, true],
            [2, 10, 3, 125, 26, true],
            [3, 10, 3, 316, 1603, true],
            [5, 10, 3, 276, 17, true],
            [6, 10, 3, 192, 17, true],
            [1, 12, 3, 198, 515, true],
            [2, 12, 3, 137, 88, true],
            [3, 12, 3, 370, 782, true],
            [5, 12, 3, 308, 10, true],
            [6, 12, 3, 203, 508, true],
            [1, 12, 4, 256, 350, true],
            [3, 12, 4, 289, 200, true],
            [4, 12, 4, 311, 2006, false],
            [5, 12, 4, 173, 465, true],
            [6, 12, 4, 248, 2003, false],
            [1, 16, 4, 361, 208, true],
            [2, 16, 4, 311, 2005, false],
            [3, 16, 4, 427, 1206, true],
            [1, 20, 5, 517, 2012, false],
            [2, 20, 5, 442, 2013, false],
            [3, 20, 5, 512, 2013, false],
        ];
        foreach ($days as $day) {
            yield "$day[1] tasks of $day[2], day $day[0]" => $day;
        }
    }

    /** @return list<Task> */
    private static function day(int $seed, int $count, int $people, int $most): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $tasks = [];
        for ($at = 0; $at < $count; $at++) {
            $after = array_values(array_filter(range(0, $count), static fn(int $one): bool => $one < $at && $random->getInt(0, 3) === 0));
            $who = array_values(array_filter(range(1, $people), static fn(): bool => $random->getInt(0, 1) === 0));
            $who = array_map(static fn(int $one): string => "p$one", $who === [] ? [$random->getInt(1, $people)] : $who);
            $tasks[] = new Task($at, "t$at", "Task $at", $who, $random->getInt(1, $most), $after, true);
        }

        return $tasks;
    }

    /**
     * Each task in its turn at its earliest minute, in the gaps of those before too.
     *
     * @param list<Task> $tasks
     * @param list<int>  $order
     */
    private static function serial(array $tasks, array $order): int
    {
        $spans = [];
        foreach ($order as $at) {
            $task = $tasks[$at];
            $from = 0;
            foreach ($task->after as $before) {
                if (! isset($spans[$before])) {
                    return PHP_INT_MAX;
                }
                $from = max($from, $spans[$before][1]);
            }
            for (; self::isTaken($tasks, $spans, $task, $from); $from++);
            $spans[$at] = [$from, $from + $task->minutes];
        }

        return max(array_column($spans, 1));
    }

    /**
     * @param list<Task>                     $tasks
     * @param array<int, array{int, int}> $spans
     */
    private static function isTaken(array $tasks, array $spans, Task $task, int $from): bool
    {
        foreach ($spans as $at => [$start, $end]) {
            if ($from < $end && $from + $task->minutes > $start && array_intersect($tasks[$at]->who, $task->who) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * Each task as soon as what it waits for and what its people do before it are over.
     *
     * @param list<Task> $tasks
     * @param list<int>  $order
     */
    private static function inOrder(array $tasks, array $order): int
    {
        $ends = [];
        foreach ($order as $at) {
            $from = 0;
            foreach ($ends as $before => $end) {
                $isWaited = in_array($before, $tasks[$at]->after, true) || array_intersect($tasks[$before]->who, $tasks[$at]->who) !== [];
                $from = $isWaited ? max($from, $end) : $from;
            }
            $ends[$at] = $from + $tasks[$at]->minutes;
        }

        return max($ends);
    }

    /**
     * @param list<int> $of
     *
     * @return iterable<list<int>>
     */
    private static function orders(array $of): iterable
    {
        if ($of === []) {
            yield [];
        }
        foreach ($of as $i => $one) {
            $rest = $of;
            unset($rest[$i]);
            foreach (self::orders(array_values($rest)) as $order) {
                yield [$one, ...$order];
            }
        }
    }
}
