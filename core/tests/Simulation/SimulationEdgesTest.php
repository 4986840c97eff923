<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\Controller\TimerCut;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Simulation;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\TimerSpan;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The simulation where a limit lies: what stands on it, and what lies just beyond. */
final class SimulationEdgesTest extends TestCase
{
    #[Test, DataProvider('cranks')]
    public function an_engine_that_needs_all_of_its_crank_still_fires(int $crankMs, int $limitMs, string $kind): void
    {
        $events = self::play(new Engine($crankMs, $limitMs, 5000, 1, 4000, 5000), [self::set(1000, 0)]);
        self::assertContains($kind, array_map(static fn(Event $event): string => $event->kind()->value, $events));
    }

    /** @return iterable<string, array{int, int, string}> */
    public static function cranks(): iterable
    {
        yield 'all of it' => [10_000, 10_000, 'engine_fired'];
        yield 'a millisecond more' => [10_001, 10_000, 'crank_failed'];
    }

    /** @param list<float> $volts */
    #[Test, DataProvider('spreads')]
    public function phases_are_too_far_apart_beyond_their_limit_and_not_on_it(array $volts, bool $isLost): void
    {
        $events = self::play(new Engine(1500, 10_000, 5000, 3, 4000, 5000), [self::set(1000, $volts)]);
        $kinds = array_map(static fn(Event $event): string => $event->kind()->value, $events);
        self::assertSame($isLost, in_array('source_lost', $kinds, true), implode(' ', $kinds));
    }

    /** @return iterable<string, array{list<float>, bool}> around 100 V, at most a tenth of the mean apart */
    public static function spreads(): iterable
    {
        yield 'a tenth below' => [[90, 105, 105], false];
        yield 'more than a tenth below' => [[89.9, 105, 105.1], true];
        yield 'a tenth above' => [[110, 95, 95], false];
        yield 'more than a tenth above' => [[110.1, 95, 94.9], true];
    }

    #[Test]
    public function phases_that_were_apart_stay_so_until_they_are_near_enough(): void
    {
        $events = self::play(new Engine(1500, 10_000, 5000, 3, 4000, 5000), [
            self::set(1000, [89.9, 105, 105.1]), self::set(60_000, [94.9, 102.5, 102.6]), self::set(120_000, [95, 102.5, 102.5]),
        ]);
        $returned = array_filter(
            $events,
            static fn(Event $event): bool => $event->kind()->value === 'source_returned' && ($event->keys()['source'] ?? '') === 'normal',
        );
        self::assertSame([120_000], array_values(array_map(static fn(Event $event): int => $event->tMs, $returned)));
    }


    #[Test, DataProvider('runs')]
    public function a_cooldown_is_a_minimum_run_where_that_lasts_longer(int $cooldownMs, int $minRunMs, string $word, int $lastsMs): void
    {
        $events = self::play(new Engine(1500, 10_000, 5000, 3, 4000, 5000), [
            self::set(1000, 0), self::set(30_000, 100),
        ], $cooldownMs, $minRunMs);
        $starts = array_values(array_filter($events, static fn(Event $event): bool => $event->kind()->value === 'timer_started'
            && ($event->keys()['timer'] ?? '') === 'cooldown'));
        self::assertSame($lastsMs, $starts[0]->keys()['duration_ms']);
        self::assertStringContainsString($word, $starts[0]->because(
            SourceNames::of(self::plant(new Engine(1500, 10_000, 5000, 3, 4000, 5000))),
        ));
    }

    /** @return iterable<string, array{int, int, string, int}> fired at 7500 ms, back on the utility at 40 100 ms */
    public static function runs(): iterable
    {
        yield 'the cool-down is longer' => [60_000, 92_599, 'cools down', 60_000];
        yield 'as long' => [60_000, 92_600, 'cools down', 60_000];
        yield 'the minimum run is longer' => [60_000, 92_601, 'run', 60_001];
    }

    #[Test]
    public function an_event_is_not_put_into_what_was_played(): void
    {
        $plant = self::plant(new Engine(1500, 10_000, 5000, 3, 4000, 5000));
        $simulation = new Simulation($plant, self::settings(60_000, 0), []);
        $simulation->inject(self::set(100, 0));
        $simulation->inject(self::set(100, 0));
        $simulation->advanceTo(200);
        $simulation->inject(self::set(201, 100));
        foreach ([200, 150] as $atMs) {
            try {
                $simulation->inject(self::set($atMs, 100));
                self::fail("An event at $atMs ms was taken.");
            } catch (\LogicException $late) {
                self::assertStringContainsString("An event at $atMs ms comes too late", $late->getMessage());
            }
        }
    }

    #[Test]
    public function what_needs_an_engine_and_what_needs_a_controller(): void
    {
        $engine = array_filter(Verb::cases(), static fn(Verb $verb): bool => $verb->needsEngine());
        $controller = array_filter(Verb::cases(), static fn(Verb $verb): bool => $verb->needsController());
        self::assertSame(
            ['crank_failures', 'engine_trip', 'engine_reset', 'start_generator', 'stop_generator'],
            array_values(array_map(static fn(Verb $verb): string => $verb->value, $engine)),
        );
        self::assertSame(
            ['test_start', 'test_stop', 'selector'],
            array_values(array_map(static fn(Verb $verb): string => $verb->value, $controller)),
        );
    }

    #[Test]
    public function a_timer_has_run_out_where_nothing_cut_it_and_it_is_over(): void
    {
        $of = static fn(bool $isOpen, ?TimerCut $cut): bool => (new TimerSpan(TimerName::StartDelay, 0, 1, 1, $isOpen, $cut))->hasRunOut();
        self::assertSame([true, false, false, false], [
            $of(false, null), $of(true, null), $of(false, TimerCut::Test), $of(true, TimerCut::Test),
        ]);
    }

    /**
     * @param list<ScenarioEvent> $events
     *
     * @return list<Event>
     */
    private static function play(Engine $engine, array $events, int $cooldownMs = 60_000, int $minRunMs = 0): array
    {
        return Rehearsal::play(new Scenario(self::plant($engine), self::settings($cooldownMs, $minRunMs), $events, 400_000))->events;
    }

    private static function plant(Engine $engine): Plant
    {
        return new Plant(PlantKind::Standby, new Source(3, 100, 60), new Source(3, 100, 60), $engine);
    }

    private static function settings(int $cooldownMs, int $minRunMs): Settings
    {
        $sensing = new Sensing(new Limit(80, 85), unbalance: new Limit(10, 5), dropoutDelayMs: 0);

        return new Settings($sensing, new Sensing(new Limit(80, 85)), 5000, 2000, 10_000, $cooldownMs, $minRunMs);
    }

    /** @param float|int|list<float> $volts */
    private static function set(int $atMs, array|float|int $volts): ScenarioEvent
    {
        return new ScenarioEvent($atMs, Verb::SetSource, Side::Normal, is_array($volts) ? $volts : [$volts, $volts, $volts]);
    }
}
