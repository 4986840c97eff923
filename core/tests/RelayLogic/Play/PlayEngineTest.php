<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic\Play;

use Escapement\Core\RelayLogic\Play\EngineState;
use Escapement\Core\RelayLogic\Play\EngineTimes;
use Escapement\Core\RelayLogic\Play\PlayEngine;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** One generating set behind its start contact, event by event. Rule: docs/rules.md#relay-play. */
final class PlayEngineTest extends TestCase
{
    /**
     * @param array<string, int>  $times
     * @param array<int, bool>    $calls    from when on it is called, or not
     * @param list<string>        $expected "t event" with what belongs to it
     */
    #[Test, DataProvider('stories')]
    public function it_starts_fails_cools_and_stops_by_its_times(
        array $times,
        array $calls,
        int $failures,
        array $expected,
        EngineState $end,
        int $ranMs,
        int $starts,
    ): void {
        $engine = new PlayEngine(new EngineTimes(...$times));
        $engine->failuresLeft = $failures;
        $told = [];
        for ($t = 0; $t <= 1000; $t++) {
            $engine->isCalled = $calls[$t] ?? $engine->isCalled;
            while (($events = $engine->change($t)) !== null) {
                foreach ($events as [$kind, $more]) {
                    $told[] = trim("$t $kind " . implode(' ', $more));
                }
            }
        }
        self::assertSame($expected, $told);
        self::assertSame([$end, $ranMs, $starts], [$engine->state, $engine->runMs(1000), $engine->starts]);
    }

    /** @return iterable<string, array{array<string, int>, array<int, bool>, int, list<string>, EngineState, int, int}> */
    public static function stories(): iterable
    {
        $times = [
            'startDelayMs' => 10, 'crankMs' => 20, 'crankLimitMs' => 50, 'crankRestMs' => 30, 'crankAttempts' => 2, 'runUpMs' => 40,
            'cooldownMs' => 100, 'stopMs' => 60,
        ];
        yield 'a call answered' => [$times, [5 => true], 0, [
            '15 crank_started 1', '35 engine_fired', '75 engine_at_speed',
        ], EngineState::Running, 965, 1];
        yield 'a call that ends' => [$times, [5 => true, 200 => false], 0, [
            '15 crank_started 1', '35 engine_fired', '75 engine_at_speed', '200 cooldown_started', '300 engine_stopped',
        ], EngineState::Stopped, 265, 1];
        yield 'a call that comes back while it cools' => [$times, [5 => true, 200 => false, 250 => true], 0, [
            '15 crank_started 1', '35 engine_fired', '75 engine_at_speed', '200 cooldown_started',
        ], EngineState::Running, 965, 1];
        yield 'a call that is gone before it cranks' => [$times, [5 => true, 14 => false], 0, [], EngineState::Stopped, 0, 0];
        yield 'a call that is gone while it cranks' => [$times, [5 => true, 20 => false], 0, [
            '15 crank_started 1', '20 engine_stopped',
        ], EngineState::Stopped, 0, 0];
        yield 'a call that is gone while it runs up' => [$times, [5 => true, 40 => false], 0, [
            '15 crank_started 1', '35 engine_fired', '40 engine_stopped',
        ], EngineState::Stopped, 5, 1];
        yield 'a call that comes while it coasts waits for the standstill' => [$times, [5 => true, 40 => false, 50 => true], 0, [
            '15 crank_started 1', '35 engine_fired', '40 engine_stopped', '110 crank_started 1', '130 engine_fired', '170 engine_at_speed',
        ], EngineState::Running, 875, 2];
        yield 'one attempt fails' => [$times, [5 => true], 1, [
            '15 crank_started 1', '65 crank_failed 1', '95 crank_started 2', '115 engine_fired', '155 engine_at_speed',
        ], EngineState::Running, 885, 1];
        yield 'all attempts fail' => [$times, [5 => true], 2, [
            '15 crank_started 1', '65 crank_failed 1', '95 crank_started 2', '145 crank_failed 2', '145 engine_locked_out overcrank',
        ], EngineState::LockedOut, 0, 0];
        yield 'it needs longer than it is cranked' => [['crankMs' => 51] + $times, [5 => true], 0, [
            '15 crank_started 1', '65 crank_failed 1', '95 crank_started 2', '145 crank_failed 2', '145 engine_locked_out overcrank',
        ], EngineState::LockedOut, 0, 0];
        yield 'as long as it is cranked' => [['crankMs' => 50] + $times, [5 => true], 0, [
            '15 crank_started 1', '65 engine_fired', '105 engine_at_speed',
        ], EngineState::Running, 935, 1];
    }

    #[Test]
    public function a_trip_locks_it_out_until_somebody_resets_it(): void
    {
        $engine = new PlayEngine(new EngineTimes(crankMs: 20, runUpMs: 40));
        $engine->isCalled = true;
        for ($t = 0; $t <= 100; $t++) {
            while ($engine->change($t) !== null) {
            }
        }
        self::assertSame([], $engine->reset(), 'there is nothing to reset');
        self::assertSame([['engine_locked_out', ['reason' => 'trip']]], $engine->trip(100));
        self::assertSame([], $engine->trip(101), 'it is locked out already');
        self::assertNull($engine->change(500));
        self::assertSame([80, null], [$engine->runMs(500), $engine->nextMs()]);
        self::assertSame([['engine_reset', []]], $engine->reset());
        self::assertSame(EngineState::Stopped, $engine->state);
    }
}
