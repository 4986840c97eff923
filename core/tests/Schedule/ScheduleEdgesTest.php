<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Schedule\Logbook\ControllerEvent;
use Escapement\Core\Schedule\Logbook\ControllerLog;
use Escapement\Core\Schedule\Logbook\EventMeaning;
use Escapement\Core\Tests\Calc\AnswersAtPaths;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Dates, hours, books and scores where a limit lies: what stands on it, and what lies just beyond. */
final class ScheduleEdgesTest extends TestCase
{
    use AnswersAtPaths;

    private const PERIOD = ['from' => '2026-06-01T00:00:00Z', 'to' => '2026-07-01T00:00:00Z', 'gap_days' => 365];
    private const OTHERS = [
        'selector' => 0, 'open_stops' => 0, 'outage_test' => 0, 'load_test' => 0, 'fuel' => 0, 'battery' => 0, 'settings' => 0,
        'exercise' => 0, 'alarms' => 0, 'service' => 0,
    ];

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expected by path
     */
    #[Test, DataProvider('days'), DataProvider('hours'), DataProvider('books'), DataProvider('scores')]
    public function it_says(string $calc, array $input, array $expected): void
    {
        self::assertAnswers($calc, $input, $expected);
    }

    /**
     * @param array<string, mixed> $input
     */
    #[Test, DataProvider('silences')]
    public function it_does_not_say(string $calc, array $input, string $finding): void
    {
        self::assertAnswers($calc, $input, ['no' => $finding]);
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function days(): iterable
    {
        $of = static fn(array $exercise, string $from, string $to): array => ['exercise_calendar', [
            'from' => $from, 'to' => $to,
            'switches' => [['id' => 's', 'zone' => 'UTC', 'exercise' => $exercise + ['time' => '10:00', 'for_min' => 20]]],
        ]];
        $monthly = static fn(string $day, int $nth): array => ['every' => 'monthly', 'day' => $day, 'nth' => $nth];
        yield 'the last Saturday of a month of four weeks is one day' => [
            ...$of($monthly('sat', -1), '2026-02-01', '2026-02-28'),
            ['count' => 1, 'switches/0/occurrences/0/local' => '2026-02-28T10:00'],
        ];
        yield 'the first Monday of a month that begins with it is one day' => [
            ...$of($monthly('mon', 1), '2026-06-01', '2026-06-30'),
            ['count' => 1, 'switches/0/occurrences/0/local' => '2026-06-01T10:00'],
        ];
        yield 'the second Monday of that month is the eighth' => [
            ...$of($monthly('mon', 2), '2026-06-01', '2026-06-30'),
            ['count' => 1, 'switches/0/occurrences/0/local' => '2026-06-08T10:00'],
        ];
        $pause = ['every' => 'daily', 'pauses' => [['from' => '2026-06-02', 'to' => '2026-06-03']]];
        yield 'a pause takes its first and its last day' => [
            ...$of($pause, '2026-06-01', '2026-06-04'),
            ['count' => 2, 'switches/0/occurrences/1/local' => '2026-06-04T10:00', 'switches/0/longest_gap_days' => 3.0],
        ];
        $gap = static fn(string $to): array => ['every' => 'daily', 'pauses' => [['from' => '2026-06-02', 'to' => $to]]];
        yield 'thirty-seven days without an exercise are long' => [
            ...$of($gap('2026-07-07'), '2026-06-01', '2026-07-10'), ['ids' => 'long-gap'],
        ];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function hours(): iterable
    {
        $of = static fn(array $more): array => ['service_due', $more + [
            'today' => '2026-05-01', 'installed' => '2026-04-01', 'use_generic' => false, 'items' => [['id' => 'oil', 'hours' => 100]],
        ]];
        $read = static fn(string $date, float $hours): array => ['date' => $date, 'hours' => $hours];
        $anHourADay = ['exercise_h_per_year' => 365];
        yield 'a century ahead is still a day' => [
            ...$of($anHourADay + ['items' => [['id' => 'oil', 'hours' => 36_530]]]), ['items/0/due_by_hours' => '2126-04-07'],
        ];
        yield 'a day more is none' => [
            ...$of($anHourADay + ['items' => [['id' => 'oil', 'hours' => 36_530.5]]]), ['items/0/due_by_hours' => null],
        ];
        yield 'two weeks of readings are a measure' => [
            ...$of(['readings' => [$read('2026-04-15', 7)]]), ['rate_from' => 'measured', 'rate_h_per_day' => 0.5],
        ];
        yield 'a day less is none' => [...$of(['readings' => [$read('2026-04-14', 7)]]), ['rate_from' => 'none', 'rate_h_per_day' => 0.0]];
        yield 'between two readings in proportion' => [
            ...$of([
                'readings' => [$read('2026-04-11', 10), $read('2026-04-21', 30)], 'history' => [['item' => 'oil', 'date' => '2026-04-16']],
            ]),
            ['items/0/last_h' => 20.0, 'items/0/due_h' => 120.0],
        ];
        yield 'more hours than two days have' => [
            ...$of(['readings' => [$read('2026-04-20', 10), $read('2026-04-21', 58.1)]]), ['ids' => 'meter-impossible'],
        ];
        yield 'an hour less than before' => [
            ...$of(['readings' => [$read('2026-04-20', 10), $read('2026-04-21', 9)]]), ['ids' => 'meter-backwards', 'engine_h' => 19.0],
        ];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function books(): iterable
    {
        $diesel = ['source' => ['fuel' => 'diesel', 'rated_kw' => 20]];
        yield 'fuel that was filled in between is used too' => [
            ...self::book([
                ['fuel_level', '02', ['amount' => 100]], ['fuel_fill', '03', ['amount' => 50]], ['fuel_level', '04', ['amount' => 80]],
            ], $diesel),
            ['fuel/used' => 70.0, 'fuel/filled' => 50.0, 'fuel/expected' => 0.0, 'fuel/ratio' => null],
        ];
        yield 'one level says nothing' => [
            ...self::book([['fuel_level', '02', ['amount' => 100]], ['fuel_fill', '03', ['amount' => 50]]], $diesel), ['fuel/used' => null],
        ];
        $run = static fn(int $min): array => ['exercise', '03', ['done' => true, 'run_min' => $min, 'kw' => 5]];
        yield 'half a liter of a short run, against what it should have burnt' => [
            ...self::book([
                ['fuel_level', '02', ['amount' => 100]], $run(10), ['fuel_level', '04', ['amount' => 99.9]],
            ], $diesel),
            ['fuel/ratio' => 0.3, 'ids' => 'fuel-low'],
        ];
        yield 'an alarm that ends with the period is active' => [
            ...self::book([['alarm', '03', ['code' => 'low', 'cleared' => '2026-07-01T00:00:00Z']]]), ['alarms/active' => 1],
        ];
        yield 'one that ends a second before is not' => [
            ...self::book([['alarm', '03', ['code' => 'low', 'cleared' => '2026-06-30T23:59:59Z']]]), ['alarms/active' => 0],
        ];
        yield 'what is written as the period begins belongs to it' => [
            ...self::book([['alarm', '01', ['code' => 'low']]]), ['alarms/count' => 1],
        ];
        $visit = ['visit', '02', ['until' => '2026-06-02T12:00:00Z', 'by' => 'Rosa']];
        yield 'since the visit' => [
            ...self::book([
                ['exercise', '01', ['done' => false]], $visit, ['exercise', '03', ['done' => true, 'run_min' => 30]],
                ['exercise', '04', ['done' => false]], ['exercise', '05', ['done' => true, 'run_min' => 60]],
                ['service', '06', ['items' => ['oil']]], ['alarm', '07', ['code' => 'low']],
            ]),
            [
                'since_visit/exercises_missed' => 1, 'since_visit/run_h' => 1.5, 'since_visit/starts' => 2, 'since_visit/services' => 1,
                'since_visit/alarms' => 1, 'since_visit/settings_changed' => null,
            ],
        ];
        $sheet = static fn(string $day, string $hash): array => ['settings', $day, ['when' => 'found', 'hash' => $hash]];
        yield 'settings that are others since' => [
            ...self::book([$sheet('01', 'a'), $visit, $sheet('03', 'b')]), ['since_visit/settings_changed' => true],
        ];
        yield 'settings that are the same' => [
            ...self::book([$sheet('01', 'a'), $visit, $sheet('03', 'a')]), ['since_visit/settings_changed' => false],
        ];
        yield 'settings that nobody read before' => [...self::book([$visit, $sheet('03', 'a')]), ['since_visit/settings_changed' => null]];
        $hours = static fn(float $last): array => [['hours', '02', ['hours' => 100]], ['hours', '20', ['hours' => $last]]];
        yield 'of a hundred hours six that nobody wrote down' => [
            ...self::book([...$hours(220), ['outage', '03', ['end' => '2026-06-08T00:00:00Z', 'transfer_s' => 1, 'run_min' => 6780]]]),
            ['ids' => 'hours-unexplained', 'meter/unexplained_h' => 7.0, 'working/1/value' => 7.0],
        ];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function scores(): iterable
    {
        $of = static fn(array $weights, array $site): array => ['storm_readiness', [
            'today' => '2026-08-01', 'weights' => $weights + self::OTHERS, 'sites' => [['id' => 's'] + $site],
        ]];
        yield 'less than sixty is to be acted on' => [
            ...$of(['alarms' => 2, 'exercise' => 1], ['alarms_active' => 1, 'last_exercise' => '2026-07-20']),
            ['sites/0/score' => 100 - (2 * 60 + 40) / 3, 'sites/0/grade' => 'act'],
        ];
        yield 'sixty to the last digit' => [...$of(['exercise' => 1], ['last_exercise' => '2026-07-24']), [
            'sites/0/score' => 60.0, 'sites/0/grade' => 'watch',
        ]];
        yield 'equal losses stand in the order of the table' => [
            ...$of(['alarms' => 1, 'service' => 1], ['alarms_active' => 2, 'service_overdue' => 3]),
            ['sites/0/reasons/0' => 'alarms', 'sites/0/reasons/1' => 'service', 'sites/0/score' => 0.0],
        ];
        yield 'what holds the score down is said' => [
            ...$of(['selector' => 1, 'exercise' => 99], ['selector' => 'off', 'last_exercise' => '2026-07-31']),
            ['sites/0/cap' => 20.0, 'working/0/expression' => '100 - what its criteria lose, 20 at most'],
        ];
        yield 'nothing holds it down' => [
            ...$of(['exercise' => 1], ['last_exercise' => '2026-07-31']), ['working/0/expression' => '100 - what its criteria lose'],
        ];
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function silences(): iterable
    {
        $readings = static fn(array $readings): array => ['service_due', [
            'today' => '2026-05-01', 'installed' => '2026-04-01',
            'readings' => array_map(static fn(array $one): array => ['date' => "2026-04-$one[0]", 'hours' => $one[1]], $readings),
        ]];
        yield 'the same hours twice went nowhere' => [...$readings([['20', 10], ['21', 10]]), 'meter-backwards'];
        yield 'two days have forty-eight hours' => [...$readings([['20', 10], ['21', 58]]), 'meter-impossible'];
        $gap = ['every' => 'daily', 'time' => '10:00', 'for_min' => 20, 'pauses' => [['from' => '2026-06-02', 'to' => '2026-07-06']]];
        yield 'thirty-six days are not long' => ['exercise_calendar', [
            'from' => '2026-06-01', 'to' => '2026-07-10', 'switches' => [['id' => 's', 'zone' => 'UTC', 'exercise' => $gap]],
        ], 'long-gap'];
        $hours = [['hours', '02', ['hours' => 100]], ['hours', '20', ['hours' => 220]]];
        yield 'of a hundred and twenty hours six may differ' => [
            ...self::book([...$hours, ['outage', '03', ['end' => '2026-06-08T00:00:00Z', 'transfer_s' => 1, 'run_min' => 6840]]]),
            'hours-unexplained',
        ];
        yield 'a level that is as it was is no fault of the record' => [
            ...self::book(
                [['fuel_level', '02', ['amount' => 100]], ['fuel_level', '04', ['amount' => 100]]],
                ['source' => ['fuel' => 'diesel', 'rated_kw' => 20]],
            ),
            'fuel-record-wrong',
        ];
    }

    /** @return iterable<string, array{EventMeaning}> */
    public static function meanings(): iterable
    {
        foreach (EventMeaning::cases() as $meaning) {
            yield $meaning->value => [$meaning];
        }
    }

    #[Test, DataProvider('meanings')]
    public function a_meaning_has_words_of_its_own(EventMeaning $meaning): void
    {
        $same = array_filter(EventMeaning::cases(), static fn(EventMeaning $one): bool => $one->label() === $meaning->label());
        self::assertNotSame('', $meaning->label());
        self::assertCount(1, $same);
    }

    #[Test]
    public function an_alarm_of_a_log_is_cut_to_what_the_book_takes(): void
    {
        $log = new ControllerLog([new ControllerEvent(0, str_repeat('x', 70), EventMeaning::Alarm)]);
        self::assertSame(str_repeat('x', 64), $log->entries[0]['fields']['code']);
    }

    /**
     * @param list<array{string, string, array<string, mixed>}> $entries kind, day of June, fields
     * @param array<string, mixed>                              $more
     *
     * @return array{string, array<string, mixed>}
     */
    private static function book(array $entries, array $more = []): array
    {
        return ['logbook_summary', self::PERIOD + $more + ['entries' => array_map(
            static fn(array $one): array => ['at' => "2026-06-$one[1]T00:00:00Z", 'kind' => $one[0]] + $one[2],
            $entries,
        )]];
    }
}
