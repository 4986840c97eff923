<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\LoadTest\DueRun;
use Escapement\Core\LoadTest\ExerciseResult;
use Escapement\Core\LoadTest\PastTest;
use Escapement\Core\LoadTest\ReadingTable;
use Escapement\Core\LoadTest\TableColumns;
use Escapement\Core\LoadTest\TrendFigure;
use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Tests\Calc\AnswersAtPaths;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Load tests where a limit lies: what stands on it, and what lies just beyond. */
final class TestEdgesTest extends TestCase
{
    use AnswersAtPaths;

    private const START = 1_795_702_400.0;

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expected
     */
    #[Test, DataProvider('trends'), DataProvider('evaluations')]
    public function it_says(string $calc, array $input, array $expected): void
    {
        self::assertAnswers($calc, $input, $expected);
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function trends(): iterable
    {
        $test = static fn(string $date, float $oil, float $pct = 80, string $verdict = 'pass'): array => [
            'date' => $date, 'verdict' => $verdict, 'fuel' => 'diesel', 'load_pct' => $pct, 'oil_kpa' => $oil,
        ];
        $of = static fn(array $tests, array $more = []): array => ['load_test_trend', ['tests' => $tests] + $more];
        yield 'fifteen months between two tests are a year missed' => [
            ...$of([$test('2024-01-01', 300), $test('2025-06-01', 300)]), ['ids' => 'year-missed'],
        ];
        yield 'four hundred days are not' => [...$of([$test('2024-01-01', 300), $test('2025-02-04', 300)]), ['no' => 'year-missed']];
        yield 'a day more is' => [...$of([$test('2024-01-01', 300), $test('2025-02-05', 300)]), ['ids' => 'year-missed']];
        yield 'the first test misses none' => [...$of([$test('2025-06-01', 300)]), ['no' => 'year-missed', 'ids' => 'too-few-tests']];
        yield 'ten points of load apart are alike' => [
            ...$of([$test('2024-05-01', 300, 70), $test('2025-05-01', 290, 80)]), ['no' => 'not-comparable', 'figures/2/n' => 2],
        ];
        yield 'more than ten are not' => [
            ...$of([$test('2024-05-01', 300, 69.9), $test('2025-05-01', 290, 80)]), ['ids' => 'not-comparable', 'figures/2/n' => 1],
        ];
        yield 'what is over its limit is named without its unit' => [
            ...$of([$test('2025-05-01', 100)]), ['ids' => 'over-limit', 'said' => 'oil'],
        ];
        yield 'the newest that failed' => [...$of([$test('2025-05-01', 300, 80, 'fail')]), ['ids' => 'last-failed']];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function evaluations(): iterable
    {
        $reading = static fn(int $s, float $kw, ?float $exhaust = null): array => [
            't_s' => $s, 'v_v' => [120, 120], 'a_a' => [$kw * 1000 / 240, $kw * 1000 / 240], 'hz' => 60, 'kw' => $kw, 'oil_kpa' => 400,
            'coolant_c' => 80, 'battery_v' => 13.9,
        ] + ($exhaust === null ? [] : ['exhaust_c' => $exhaust]);
        $readings = static fn(float $kw, int $minutes, ?float $exhaust = null): array => array_map(
            static fn(int $i): array => $reading(300 * $i, $kw, $exhaust),
            range(0, intdiv($minutes, 5)),
        );
        $of = static fn(array $readings, array $more = []): array => ['load_test_evaluate', $more + [
            'nameplate_kw' => 20, 'fuel' => 'diesel', 'profile' => 'monthly_building', 'readings' => $readings,
        ]];
        yield 'held as long as is asked' => [
            ...$of($readings(6, 30)), ['verdict' => 'pass', 'requirements/0/reason' => 'Held for 30 min.', 'levels/0/by' => 'load'],
        ];
        yield 'a gap is longer than what counts as read' => [
            ...$of([$reading(0, 6), $reading(300, 6), $reading(3000, 6)]), ['ids' => 'reading-gap', 'said' => 'more than 20 minutes apart'],
        ];
        $drift = static fn(float $kw): array => $of([$reading(0, $kw), $reading(300, 10), $reading(600, 10)]);
        yield 'five percent of the set from the last reading are the same load' => [...$drift(9), ['drift/minutes' => 10.0]];
        yield 'more are another load' => [...$drift(8.9), ['drift/minutes' => 5.0]];
        yield 'five minutes short, and the run was no longer' => [
            ...$of($readings(6, 25)),
            [
                'verdict' => 'not_proven',
                'requirements/0/reason' => 'Held for 25 min, 30 are asked, or the run had no load to speak of.', 'levels/0/by' => null,
            ],
        ];
        yield 'five minutes short, and there was time' => [
            ...$of([...$readings(6, 25), $reading(1560, 1), $reading(1860, 1)]),
            ['requirements/0/verdict' => 'fail', 'requirements/0/reason' => 'Held for 25 min at most, although there was time for 30.'],
        ];
        yield 'too little load, and an exhaust that is hot enough' => [
            ...$of($readings(2, 30, 300), ['min_exhaust_c' => 300]),
            ['requirements/0/reason' => 'The exhaust was hot enough for half an hour.', 'levels/0/by' => 'exhaust'],
        ];
        yield 'a degree less' => [
            ...$of($readings(2, 30, 299), ['min_exhaust_c' => 300]), ['requirements/0/verdict' => 'fail'],
        ];
        yield 'gas proves nothing by its exhaust' => [
            ...$of($readings(1, 30, 900), ['min_exhaust_c' => 300, 'fuel' => 'natural_gas']),
            ['requirements/0/verdict' => 'not_proven'],
        ];
    }

    /** @param list<array{string, int, string, string}> $due type, months, due, status */
    #[Test, DataProvider('dues')]
    public function the_run_with_load_that_is_first(array $due, ?string $first): void
    {
        $runs = array_map(static fn(array $one): DueRun => new DueRun(
            $one[0],
            $one[1],
            null,
            $one[2],
            null,
            $one[2],
            0,
            $one[3],
        ), $due);
        self::assertSame($first, (new ExerciseResult([], $runs, [], null, [], []))->firstLoadTest()?->type);
    }

    /** @return iterable<string, array{list<array{string, int, string, string}>, ?string}> */
    public static function dues(): iterable
    {
        yield 'none' => [[], null];
        yield 'an outage is none' => [[['outage', 1, '2026-01-01', 'never']], null];
        yield 'the one asked for most often was never done' => [
            [['load_bank', 12, '2026-01-01', 'ok'], ['building_load', 1, '2026-02-01', 'never']], 'building_load',
        ];
        yield 'all done: the earliest' => [
            [['building_load', 1, '2026-03-01', 'ok'], ['load_bank', 12, '2026-02-01', 'overdue']], 'load_bank',
        ];
        yield 'a rarer one was never done: the earliest of the others' => [
            [['four_hour', 36, '2026-01-01', 'never'], ['building_load', 1, '2026-03-01', 'ok'], ['load_bank', 12, '2026-02-01', 'ok']],
            'load_bank',
        ];
    }

    #[Test]
    public function a_dip_is_followed_on_one_fuel_and_with_steps_that_are_alike(): void
    {
        $of = static fn(string $fuel, ?float $stepKw): PastTest => new PastTest('2026-01-01', 'pass', $fuel, 80, [], $stepKw);
        $isAlike = static fn(PastTest $one): bool => TrendFigure::Dip->isAlike($one, $of('diesel', 10.0));
        self::assertSame([true, false, false], [$isAlike($of('diesel', 10.5)), $isAlike($of('lp', 10.0)), $isAlike($of('diesel', 20.0))]);
    }

    /** @param array<string, ?int> $columns */
    #[Test, DataProvider('headings')]
    public function a_heading_is_taken_for_what_it_says(string $headings, array $columns): void
    {
        $guess = TableColumns::guess(explode(',', $headings), 1);
        foreach ($columns as $key => $place) {
            self::assertSame($place, $guess->{$key}, $key);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function headings(): iterable
    {
        yield 'all there is' => ['time,V L1,A L1,Hz,kW,Oil,Coolant,Exhaust,Battery', [
            'time' => 0, 'hertz' => 3, 'kw' => 4, 'oil' => 5, 'coolant' => 6, 'exhaust' => 7, 'battery' => 8,
        ]];
        yield 'the first of two times, of two powers' => ['x,time,date,kW,kW total,V,A,Hz', ['time' => 1, 'kw' => 3, 'hertz' => 7]];
        yield 'no time at all: the first column' => ['a name,V L1,A L1,Hz', ['time' => 0, 'kw' => null, 'battery' => null]];
        yield 'a battery is no voltage' => ['t_s,Battery V,V L1,A L1,Hz', ['battery' => 1, 'volts' => [2], 'amps' => [3]]];
    }

    #[Test]
    public function a_step_is_like_another_within_a_tenth(): void
    {
        $of = static fn(?float $stepKw): PastTest => new PastTest('2026-01-01', 'pass', 'diesel', 80, [], $stepKw);
        self::assertTrue($of(9.0)->hasStepLike($of(10.0)));
        self::assertTrue($of(11.0)->hasStepLike($of(10.0)));
        self::assertFalse($of(11.1)->hasStepLike($of(10.0)));
        self::assertFalse($of(8.9)->hasStepLike($of(10.0)));
        self::assertFalse($of(null)->hasStepLike($of(10.0)));
        self::assertFalse($of(10.0)->hasStepLike($of(null)));
    }

    /** @param list<float> $expected seconds from the beginning of the test */
    #[Test, DataProvider('columns')]
    public function a_column_of_times_counts_in_its_own_way(string $heading, array $cells, float $offsetS, array $expected): void
    {
        $lines = "$heading,V L1,A L1,Hz\n" . implode('', array_map(static fn(string $cell): string => "$cell,120,4,60\n", $cells));
        $table = CsvTable::look($lines);
        $columns = TableColumns::guess($table->headings, 1);
        $reader = new ReadingTable($columns, new \DateTimeZone('UTC'), 60, $offsetS, self::START, self::START + 90_000);
        $read = array_map(static fn(object $one): float => round($one->atS - self::START, 3), $reader->read($table, [$lines]));
        self::assertSame($expected, $read);
    }

    /** @return iterable<string, array{string, list<string>, float, list<float>}> */
    public static function columns(): iterable
    {
        yield 'seconds' => ['t_s', ['0', '90', '149', '150'], 0, [0.0, 90.0, 150.0]];
        yield 'minutes' => ['time_min', ['0', '1.5', '2.5'], 0, [0.0, 90.0, 150.0]];
        yield 'seconds, the clock put right' => ['t_s', ['0', '90'], 10, [10.0, 100.0]];
        yield 'dates with parts of a second, the clock put right' => [
            'time', ['2026-11-26 14:13:20.250', '2026-11-26 14:15:00'], 10, [10.25, 110.0],
        ];
        yield 'a day after its beginning' => ['t_s', ['0', '86400'], 0, [0.0, 86_400.0]];
    }

    #[Test]
    public function a_reading_of_another_day_is_none_of_this_test(): void
    {
        $lines = "t_s,V L1,A L1,Hz\n0,120,4,60\n86400.5,120,4,60\n";
        $table = CsvTable::look($lines);
        $this->expectException(RecordingFault::class);
        $this->expectExceptionMessage('24 hours after the test began');
        (new ReadingTable(
            TableColumns::guess($table->headings, 1),
            new \DateTimeZone('UTC'),
            60,
            0,
            self::START,
            self::START + 90_000,
        ))->read($table, [$lines]);
    }

    #[Test]
    public function five_thousand_readings_are_taken_and_no_more(): void
    {
        $lines = static fn(int $count): string => "t_s,V L1,A L1,Hz\n"
            . implode('', array_map(static fn(int $i): string => 16 * $i . ",120,4,60\n", range(0, $count - 1)));
        $read = static function (string $lines): int {
            $table = CsvTable::look($lines);
            $columns = TableColumns::guess($table->headings, 1);
            $reader = new ReadingTable($columns, new \DateTimeZone('UTC'), 1, 0, self::START, self::START + 90_000);

            return count($reader->read($table, [$lines]));
        };
        self::assertSame(5000, $read($lines(5000)));
        $this->expectExceptionMessage('Table, line 5002: More than 5000 readings');
        $read($lines(5001));
    }
}
