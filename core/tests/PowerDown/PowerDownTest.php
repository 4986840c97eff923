<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\PowerDown;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class PowerDownTest extends TestCase
{
    private const PEOPLE = ['Ana', 'Bo', '3'];

    /**
     * @param list<array<string, mixed>> $tasks
     * @param array<string, string>      $phases
     */
    #[Test, DataProvider('days')]
    public function what_can_go_before_goes_before_and_what_waits_goes_after(array $tasks, array $phases, int $windowMin): void
    {
        $answer = $this->answer(['tasks' => $tasks]);
        self::assertEquals(
            $phases,
            array_column(
                array_filter($answer['tasks'], static fn(array $task): bool => ! in_array($task['id'], ['open', 'close'], true)),
                'phase',
                'id',
            ),
        );
        self::assertSame($windowMin, $answer['window_min']);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, string>, int}> */
    public static function days(): iterable
    {
        $task = static fn(string $id, int $minutes, bool $dark = false, string ...$after): array => [
            'id' => $id,
            'name' => $id,
            'who' => ['Ana'],
            'minutes' => $minutes,
            'dark' => $dark,
            'after' => array_values($after),
        ];
        yield 'nothing to do' => [[], [], 0];
        yield 'nothing dark' => [[$task('pull', 40), $task('label', 5, false, 'pull')], ['pull' => 'before', 'label' => 'before'], 0];
        yield 'before, dark, after' => [
            [$task('pull', 40), $task('land', 20, true, 'pull'), $task('prove', 30, false, 'land')],
            ['pull' => 'before', 'land' => 'dark', 'prove' => 'after'],
            35,
        ];
        yield 'written from the end' => [
            [$task('prove', 30, false, 'land'), $task('land', 20, true, 'pull'), $task('pull', 40)],
            ['prove' => 'after', 'land' => 'dark', 'pull' => 'before'],
            35,
        ];
        yield 'between two dark ones' => [
            [$task('land', 20, true), $task('photograph', 5, false, 'land'), $task('cover', 10, true, 'photograph')],
            ['land' => 'dark', 'photograph' => 'dark', 'cover' => 'dark'],
            50,
        ];
        yield 'tied to nothing' => [[$task('land', 20, true), $task('sweep', 5)], ['land' => 'dark', 'sweep' => 'before'], 35];
    }

    /**
     * @param array<string, mixed> $input
     * @param list<string>         $ids
     */
    #[Test, DataProvider('judged')]
    public function a_finding_stands_when_its_cause_does(array $input, array $ids): void
    {
        self::assertEqualsCanonicalizing($ids, array_column($this->answer($input)['findings'], 'id'));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function judged(): iterable
    {
        $land = ['id' => 'land', 'name' => 'Land', 'who' => ['Ana'], 'minutes' => 45, 'dark' => true];
        $more = ['id' => 'move', 'name' => 'Move', 'who' => ['Ana'], 'minutes' => 1, 'dark' => true];
        yield 'an hour to the minute' => [['tasks' => [$land]], []];
        yield 'a minute over' => [['tasks' => [$land, $more]], ['over-an-hour', 'one-pair-of-hands']];
        yield 'in the heat' => [['tasks' => [$land, ['after' => ['land']] + $more], 'hot_day' => true], ['hot-day']];
        yield 'as promised' => [['tasks' => [$land], 'promised_min' => 60], []];
        yield 'longer than promised' => [['tasks' => [$land], 'promised_min' => 59], ['longer-than-promised']];
        yield 'the other one has hands' => [['tasks' => [$land, ['who' => ['Bo']] + $more]], []];
        yield 'two dark with a bright one between' => [
            [
                'tasks' => [
                    ['minutes' => 5] + $land,
                    ['id' => 'look', 'after' => ['land'], 'dark' => false] + $more,
                    ['after' => ['look']] + $more,
                ],
            ],
            ['stands-between-dark-work'],
        ];
        yield 'nothing dark' => [['tasks' => []], ['nothing-dark']];
    }

    #[Test]
    public function a_longer_critical_task_lengthens_the_dark_and_only_a_critical_one(): void
    {
        $tasks = [
            ['id' => 'line', 'name' => 'Line side', 'who' => ['Ana'], 'minutes' => 20, 'dark' => true],
            ['id' => 'bonds', 'name' => 'Bonds', 'who' => ['Bo'], 'minutes' => 15, 'dark' => true],
            ['id' => 'torque', 'name' => 'Torque', 'who' => ['Ana'], 'minutes' => 10, 'dark' => true, 'after' => ['line', 'bonds']],
        ];
        $window = $this->answer(['tasks' => $tasks])['window_min'];
        foreach ($this->answer(['tasks' => $tasks])['tasks'] as $row) {
            $place = array_search($row['id'], array_column($tasks, 'id'), true);
            if ($place !== false) {
                $longer = $tasks;
                $longer[$place]['minutes']++;
                self::assertSame($window + ($row['critical'] ? 1 : 0), $this->answer(['tasks' => $longer])['window_min'], $row['id']);
            }
        }
    }

    #[Test]
    public function a_timetable_keeps_its_rules_and_no_order_is_shorter(): void
    {
        for ($seed = 1; $seed <= 150; $seed++) {
            $tasks = self::drawn(new Randomizer(new Mt19937($seed)), 1 + $seed % 6);
            $answer = $this->answer(['tasks' => $tasks]);
            $rows = array_column($answer['tasks'], null, 'id');
            foreach ($tasks as $task) {
                foreach ($task['after'] as $before) {
                    self::assertLessThanOrEqual(
                        $rows[$task['id']]['start_min'],
                        $rows[$before]['finish_min'],
                        "seed $seed: {$task['id']} waits for $before",
                    );
                }
                if ($task['dark']) {
                    self::assertGreaterThanOrEqual(
                        $rows['open']['finish_min'],
                        $rows[$task['id']]['start_min'],
                        "seed $seed: proved dead first",
                    );
                    self::assertLessThanOrEqual(
                        $rows['close']['start_min'],
                        $rows[$task['id']]['finish_min'],
                        "seed $seed: done before it is closed",
                    );
                }
                foreach ($rows as $other) {
                    $meet = $other['id'] !== $task['id']
                        && array_intersect($other['who'], $task['who']) !== []
                        && $other['start_min'] < $rows[$task['id']]['finish_min']
                        && $other['finish_min'] > $rows[$task['id']]['start_min'];
                    self::assertFalse($meet, "seed $seed: {$task['id']} and {$other['id']} at once");
                }
            }
            self::assertTrue($answer['shortest'], "seed $seed");
            if (array_column($tasks, 'dark') === array_fill(0, count($tasks), true)) {
                self::assertSame(15 + self::shortest($tasks), $answer['window_min'], "seed $seed");
            }
        }
    }

    #[Test]
    public function sixty_tasks_of_three_people_are_answered_and_said_when_not_proved(): void
    {
        $answer = $this->answer(['tasks' => self::drawn(new Randomizer(new Mt19937(7)), 60)]);
        self::assertGreaterThanOrEqual($answer['bound_min'], $answer['window_min']);
        self::assertSame($answer['shortest'], ! in_array('not-proved-shortest', array_column($answer['findings'], 'id'), true));
    }

    /** @return list<array{id: string, name: string, who: list<string>, minutes: int, dark: bool, after: list<string>}> */
    private static function drawn(Randomizer $random, int $count): array
    {
        $tasks = [];
        $allDark = $random->getInt(0, 1) === 1;
        for ($i = 0; $i < $count; $i++) {
            $after = array_values(array_filter(
                array_map(strval(...), $i === 0 ? [] : range(0, $i - 1)),
                static fn(): bool => $random->getInt(0, 3) === 0,
            ));
            $who = array_map(
                static fn(int $key): string => self::PEOPLE[$key],
                $random->pickArrayKeys(self::PEOPLE, $random->getInt(1, 2)),
            );
            $tasks[] = [
                'id' => (string) $i,
                'name' => "Task $i",
                'who' => $who,
                'minutes' => $random->getInt(1, 9),
                'dark' => $allDark || $random->getInt(0, 1) === 1,
                'after' => $after,
            ];
        }

        return $tasks;
    }

    /**
     * The least of all orders, each task at its earliest minute: the slow way that cannot be wrong.
     *
     * @param list<array{id: string, who: list<string>, minutes: int, after: list<string>}> $tasks
     * @param array<array-key, array{int, int, list<string>}>                              $put
     */
    private static function shortest(array $tasks, array $put = []): int
    {
        if (count($put) === count($tasks)) {
            return max(array_column($put, 1));
        }
        $least = PHP_INT_MAX;
        foreach ($tasks as $task) {
            if (isset($put[$task['id']]) || array_diff_key(array_flip($task['after']), $put) !== []) {
                continue;
            }
            $start = 0;
            do {
                $was = $start;
                foreach ($put as $id => [$from, $to, $who]) {
                    $mustWait = in_array((string) $id, $task['after'], true) && $start < $to;
                    $clashes = array_intersect($who, $task['who']) !== [] && $start < $to && $start + $task['minutes'] > $from;
                    $start += $mustWait || $clashes ? 1 : 0;
                }
            } while ($start !== $was);
            $least = min($least, self::shortest($tasks, $put + [$task['id'] => [$start, $start + $task['minutes'], $task['who']]]));
        }

        return $least;
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private function answer(array $input): array
    {
        $input += ['open' => ['who' => ['Ana'], 'minutes' => 10], 'close' => ['who' => ['Ana'], 'minutes' => 5]];
        $schema = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/schema/power_down.schema.json');
        self::assertTrue(
            (new Validator())->validate(json_decode((string) json_encode($input)), $schema)->isValid(),
            'what is computed fits the schema',
        );

        return (new Calculations())->calc('power_down', Node::fromArray($input));
    }

    #[Test]
    public function each_task_begins_and_ends_when_it_can(): void
    {
        $answer = $this->answer(['tasks' => [
            ['id' => 'pull', 'name' => 'Pull', 'who' => ['Ana'], 'minutes' => 40],
            ['id' => 'land', 'name' => 'Land', 'who' => ['Ana'], 'minutes' => 20, 'dark' => true, 'after' => ['pull']],
            ['id' => 'bond', 'name' => 'Bond', 'who' => ['Bo'], 'minutes' => 12, 'dark' => true, 'after' => ['pull']],
            ['id' => 'torque', 'name' => 'Torque', 'who' => ['Bo'], 'minutes' => 6, 'dark' => true, 'after' => ['land']],
            ['id' => 'prove', 'name' => 'Prove', 'who' => ['Bo'], 'minutes' => 30, 'after' => ['torque']],
        ]]);
        $times = array_map(
            static fn(array $row): array => [$row['start_min'], $row['finish_min'], $row['critical']],
            array_column($answer['tasks'], null, 'id'),
        );
        self::assertEquals([
            'pull' => [-40, 0, false], 'open' => [0, 10, true], 'land' => [10, 30, true], 'bond' => [10, 22, false],
            'torque' => [30, 36, true], 'close' => [36, 41, true], 'prove' => [41, 71, false],
        ], $times);
        self::assertSame([41, 41, 40, 30, true], [
            $answer['window_min'], $answer['bound_min'], $answer['before_min'], $answer['after_min'], $answer['shortest'],
        ]);
    }

    #[Test]
    public function the_bound_is_the_longest_chain_or_the_busiest_person_with_opening_and_closing(): void
    {
        $task = static fn(string $id, int $minutes, string $who, string ...$after): array => [
            'id' => $id, 'name' => $id, 'who' => [$who], 'minutes' => $minutes, 'dark' => true, 'after' => array_values($after),
        ];
        $chain = $this->answer(['tasks' => [$task('a', 20, 'Ana'), $task('b', 15, 'Bo', 'a'), $task('c', 5, 'Ana')]]);
        self::assertSame([10 + 35 + 5, 50], [$chain['bound_min'], $chain['window_min']]);
        $busy = $this->answer(['tasks' => [$task('a', 20, 'Ana'), $task('b', 15, 'Ana'), $task('c', 5, 'Bo', 'a')]]);
        self::assertSame([10 + 35 + 5, 50], [$busy['bound_min'], $busy['window_min']]);
        $both = $this->answer([
            'tasks' => [$task('a', 10, 'Ana'), $task('b', 10, 'Bo', 'a'), $task('c', 10, 'Ana', 'b'), $task('d', 5, 'Bo')],
        ]);
        self::assertSame([10 + 30 + 5, 45], [$both['bound_min'], $both['window_min']]);
        self::assertSame(0, $this->answer(['tasks' => []])['bound_min']);
    }

    #[Test]
    public function a_promise_that_is_broken_says_by_how_much_and_by_what(): void
    {
        $tasks = [
            ['id' => 'land', 'name' => 'Land', 'who' => ['Ana'], 'minutes' => 40, 'dark' => true],
            ['id' => 'bond', 'name' => 'Bond', 'who' => ['Bo'], 'minutes' => 5, 'dark' => true],
        ];
        $findings = array_column($this->answer(['tasks' => $tasks, 'promised_min' => 50])['findings'], null, 'id');
        self::assertSame('Without power for 55 min, 5 min more than promised (land).', $findings['longer-than-promised']['message']);
        self::assertSame(['land'], $findings['longer-than-promised']['subjects']);
    }
}
