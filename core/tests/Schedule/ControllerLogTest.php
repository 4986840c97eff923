<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Schedule\Logbook\ControllerEvent;
use Escapement\Core\Schedule\Logbook\ControllerLog;
use Escapement\Core\Schedule\Logbook\EventMeaning;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The event log of a controller becomes outages, exercises and alarms; what it does not tell is not made up. */
final class ControllerLogTest extends TestCase
{
    /**
     * @param list<array{int, string}>   $lines
     * @param list<array<string, mixed>> $entries
     */
    #[Test, DataProvider('logs')]
    public function a_log_is_told(array $lines, array $entries, int $unfinished = 0): void
    {
        $log = new ControllerLog(array_map(
            static fn(array $line): ControllerEvent => new ControllerEvent($line[0], $line[2] ?? '', EventMeaning::from($line[1])),
            $lines,
        ));
        self::assertSame($entries, $log->entries);
        self::assertSame($unfinished, $log->unfinished);
    }

    /** @return iterable<string, array{0: list<array<int, int|string>>, 1: list<array<string, mixed>>, 2?: int}> */
    public static function logs(): iterable
    {
        $outage = static fn(int $at, array $fields): array => ['at' => $at, 'kind' => 'outage', 'fields' => $fields];
        yield 'an outage' => [
            [[0, 'utility_lost'], [12, 'engine_started'], [22, 'on_generator'], [900, 'utility_back'], [1200, 'on_utility'],
                [1500, 'engine_stopped']],
            [$outage(0, ['end' => 900, 'started' => true, 'transfer_s' => 22])],
        ];
        yield 'in any order of lines' => [
            [[1200, 'on_utility'], [900, 'utility_back'], [0, 'utility_lost']], [$outage(0, ['end' => 900, 'started' => false])],
        ];
        yield 'lost again before the load went back' => [
            [[0, 'utility_lost'], [20, 'on_generator'], [300, 'utility_back'], [310, 'utility_lost'], [900, 'utility_back'],
                [1200, 'on_utility']],
            [$outage(0, ['end' => 900, 'started' => true, 'transfer_s' => 20])],
        ];
        yield 'two outages' => [
            [[0, 'utility_lost'], [5, 'utility_back'], [6, 'on_utility'], [100, 'utility_lost'], [160, 'utility_back'],
                [170, 'engine_stopped']],
            [$outage(0, ['end' => 5, 'started' => false]), $outage(100, ['end' => 160, 'started' => false])],
        ];
        yield 'one that is not over' => [[[0, 'utility_lost'], [20, 'on_generator']], [], 1];
        yield 'back at the end of the log' => [[[0, 'utility_lost'], [60, 'utility_back']],
            [$outage(0, ['end' => 60, 'started' => false])]];
        yield 'an exercise' => [
            [[0, 'exercise_begun'], [10, 'engine_started'], [720, 'exercise_ended'], [900, 'engine_stopped']],
            [['at' => 0, 'kind' => 'exercise', 'fields' => ['done' => true, 'run_min' => 12.0]]],
        ];
        yield 'an exercise that ends with the engine' => [
            [[0, 'exercise_begun'], [630, 'engine_stopped']],
            [['at' => 0, 'kind' => 'exercise', 'fields' => ['done' => true, 'run_min' => 10.5]]],
        ];
        yield 'an exercise that is not over' => [[[0, 'exercise_begun']], [], 1];
        yield 'alarms, cleared together' => [
            [[0, 'alarm', 'Low battery '], [5, 'alarm', 'Overcrank'], [60, 'cleared'], [90, 'alarm', 'Low oil']],
            [
                ['at' => 0, 'kind' => 'alarm', 'fields' => ['code' => 'Low battery', 'cleared' => 60]],
                ['at' => 5, 'kind' => 'alarm', 'fields' => ['code' => 'Overcrank', 'cleared' => 60]],
                ['at' => 90, 'kind' => 'alarm', 'fields' => ['code' => 'Low oil']],
            ],
        ];
        yield 'a run that nothing explains' => [[[0, 'engine_started'], [60, 'engine_stopped'], [70, 'nothing']], []];
        yield 'a return without a loss' => [[[0, 'utility_back'], [3, 'on_utility'], [4, 'on_generator']], []];
    }

    #[Test, DataProvider('words')]
    public function words_are_guessed_and_what_says_nothing_clear_means_nothing(string $words, EventMeaning $meaning): void
    {
        self::assertSame($meaning, EventMeaning::guess($words));
    }

    /** @return iterable<string, array{string, EventMeaning}> */
    public static function words(): iterable
    {
        foreach ([
            'Utility lost' => EventMeaning::UtilityLost, 'MAINS FAILURE' => EventMeaning::UtilityLost,
            'Utility restored' => EventMeaning::UtilityBack, 'Normal source available' => EventMeaning::UtilityBack,
            'Transferred to emergency' => EventMeaning::OnGenerator, 'Load on generator' => EventMeaning::OnGenerator,
            'Retransfer to normal' => EventMeaning::OnUtility, 'Switch closed on utility' => EventMeaning::OnUtility,
            'Engine running' => EventMeaning::EngineStarted, 'Generator stopped' => EventMeaning::EngineStopped,
            'Exercise started' => EventMeaning::ExerciseBegun, 'Exercise complete' => EventMeaning::ExerciseEnded,
            'Low battery warning' => EventMeaning::Alarm, 'Failed to start' => EventMeaning::Alarm,
            'Alarms cleared' => EventMeaning::Cleared, 'Door opened' => EventMeaning::Nothing, '' => EventMeaning::Nothing,
        ] as $words => $meaning) {
            yield $words => [$words, $meaning];
        }
    }
}
