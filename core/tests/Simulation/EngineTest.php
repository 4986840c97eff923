<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Simulation\Engine\EngineRun;
use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Engine\GeneratorBreaker;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Event\EngineStopped;
use Escapement\Core\Simulation\EventList;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\Signal;
use Escapement\Core\Simulation\SystemState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The engine alone, driven by its start contact: cranking, resting, running up, stopping, locking out. */
final class EngineTest extends TestCase
{
    private EventList $events;
    private Signal $signal;

    #[Test]
    public function it_fires_after_its_crank_and_is_at_speed_after_its_run_up(): void
    {
        $engine = $this->engine();
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, 6000);
        self::assertSame([['crank_started', 0], ['engine_fired', 1500], ['engine_at_speed', 5500]], $this->happened());
        self::assertSame(EngineState::Running, $engine->state);
        self::assertTrue($this->signal->isLive(6000));
    }

    #[Test]
    public function volts_rise_in_a_straight_line_and_are_live_from_half(): void
    {
        $engine = $this->engine();
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, 3499);
        self::assertFalse($this->signal->isLive(3499));
        self::assertTrue($this->signal->isLive(3500));
    }

    /** @param list<array{string, int}> $expected */
    #[Test, DataProvider('failures')]
    public function failed_cranks_rest_and_the_last_one_locks_out(int $failures, int $attempts, array $expected, EngineState $state): void
    {
        $engine = $this->engine(attempts: $attempts);
        $engine->failNextCranks($failures);
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, 60_000);
        self::assertSame($expected, $this->happened());
        self::assertSame($state, $engine->state);
    }

    /** @return iterable<string, array{int, int, list<array{string, int}>, EngineState}> */
    public static function failures(): iterable
    {
        yield 'the second crank fires' => [
            1,
            3,
            [
                ['crank_started', 0],
                ['crank_failed', 10_000],
                ['crank_started', 17_000],
                ['engine_fired', 18_500],
                ['engine_at_speed', 22_500],
            ],
            EngineState::Running,
        ];
        yield 'two attempts, both fail' => [
            2,
            2,
            [
                ['crank_started', 0],
                ['crank_failed', 10_000],
                ['crank_started', 17_000],
                ['crank_failed', 27_000],
                ['engine_locked_out', 27_000],
            ],
            EngineState::LockedOut,
        ];
        yield 'a single attempt fails' => [
            5,
            1,
            [['crank_started', 0], ['crank_failed', 10_000], ['engine_locked_out', 10_000]],
            EngineState::LockedOut,
        ];
    }

    #[Test, DataProvider('moments')]
    public function nobody_asking_stops_it_at_once_from_any_state(int $stopAt, bool $hasRun): void
    {
        $engine = $this->engine();
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, $stopAt - 1);
        $engine->isStartContactClosed = false;
        $this->turn($engine, $stopAt, $stopAt);
        self::assertSame(EngineState::Coasting, $engine->state);
        self::assertSame(['engine_stopped', $stopAt], $this->happened()[count($this->happened()) - 1]);
        self::assertFalse($this->signal->isLive($stopAt));
        $last = $this->events->events[count($this->events->events) - 1];
        self::assertInstanceOf(EngineStopped::class, $last);
        self::assertSame($hasRun, $last->ranMs !== null);
    }

    /** @return iterable<string, array{int, bool}> */
    public static function moments(): iterable
    {
        yield 'while cranking' => [700, false];
        yield 'in the millisecond of the firing' => [1500, false];
        yield 'while running up' => [3000, true];
        yield 'while running' => [9000, true];
    }

    #[Test]
    public function demand_that_comes_back_while_it_coasts_waits_until_it_stands(): void
    {
        $engine = $this->engine();
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, 6000);
        $engine->isStartContactClosed = false;
        $this->turn($engine, 6001, 6001);
        $engine->isStartedByHand = true;
        $this->turn($engine, 6002, 20_000);
        self::assertContains(['crank_started', 11_001], $this->happened());
    }

    #[Test]
    public function a_trip_locks_out_and_only_a_reset_frees_it(): void
    {
        $engine = $this->engine();
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, 6000);
        $engine->trip(6001, 'overspeed');
        $engine->trip(6002, 'twice');
        $this->turn($engine, 6002, 8000);
        self::assertSame(EngineState::LockedOut, $engine->state);
        $engine->reset(9000);
        $engine->reset(9000);
        $this->turn($engine, 9000, 9000);
        self::assertSame([['engine_locked_out', 6001], ['engine_reset', 9000], ['crank_started', 9000]], array_slice($this->happened(), 3));
    }

    #[Test]
    public function an_engine_that_needs_longer_than_its_limit_never_fires(): void
    {
        $engine = $this->engine(crankMs: 10_001);
        $engine->isStartContactClosed = true;
        $this->turn($engine, 0, 100_000);
        self::assertNotContains('engine_fired', array_column($this->happened(), 0));
        self::assertSame(EngineState::LockedOut, $engine->state);
    }

    private function engine(int $crankMs = 1500, int $attempts = 3): EngineRun
    {
        $this->events = new EventList();
        $source = new Source(2, 120, 60);
        $engine = new Engine($crankMs, 10_000, 7000, $attempts, 4000, 5000);
        $this->signal = new Signal($source, new Sensing(new Limit(80, 90)), false);
        $state = new SystemState(new Plant(PlantKind::Standby, $source, $source, $engine), Side::Normal);

        $breaker = new GeneratorBreaker($this->signal, new Signal($source, new Sensing(new Limit(80, 90)), false));

        return new EngineRun($engine, $breaker, new Log($state, $this->events));
    }

    private function turn(EngineRun $engine, int $fromMs, int $toMs): void
    {
        for ($t = $fromMs; $t <= $toMs; $t++) {
            $engine->step($t);
        }
    }

    /** @return list<array{string, int}> */
    private function happened(): array
    {
        return array_map(static fn(Event $event): array => [$event->kind()->value, $event->tMs], $this->events->events);
    }
}
