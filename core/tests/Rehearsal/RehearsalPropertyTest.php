<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Input\Node;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\RehearsalResult;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Wire\ScenarioReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What holds for every scenario whatsoever. Each run draws new ones; a failure names the seed that repeats it. */
final class RehearsalPropertyTest extends TestCase
{
    use TestTrait;

    protected function setUp(): void
    {
        $this->limitTo(150);
    }

    #[Test]
    public function the_two_sides_are_never_closed_together_and_the_way_leads_through_off(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $closed = $scenario->initial->value;
            foreach (Rehearsal::play($scenario)->events as $event) {
                if ($event->kind()->value === 'switch_opened') {
                    self::assertSame($closed, $event->keys()['from']);
                    $closed = null;
                } elseif ($event->kind()->value === 'switch_closed') {
                    self::assertNull($closed, "closed on {$event->keys()['to']} while closed on $closed");
                    $closed = $event->keys()['to'];
                }
            }
        });
    }

    #[Test]
    public function every_timer_that_started_ends_once_or_is_still_running_at_the_end(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $running = [];
            foreach (Rehearsal::play((new RandomScenario($seed))->scenario())->events as $event) {
                $timer = $event->keys()['timer'] ?? '';
                if ($event->kind()->value === 'timer_started') {
                    self::assertArrayNotHasKey($timer, $running);
                    $running[$timer] = $event;
                } elseif ($event->kind()->value === 'timer_expired') {
                    self::assertSame($running[$timer]->tMs + $running[$timer]->keys()['duration_ms'], $event->tMs);
                    unset($running[$timer]);
                } elseif ($event->kind()->value === 'timer_cancelled') {
                    self::assertSame($event->tMs - $running[$timer]->tMs, $event->keys()['elapsed_ms']);
                    self::assertLessThanOrEqual($event->keys()['duration_ms'], $event->keys()['elapsed_ms']);
                    unset($running[$timer]);
                }
            }
            foreach ($running as $event) {
                self::assertGreaterThan(20_000, $event->tMs + $event->keys()['duration_ms']);
            }
            self::assertLessThanOrEqual(4, count($running));
        });
    }

    #[Test]
    public function the_dark_time_is_the_integral_of_the_bus(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $result = Rehearsal::play((new RandomScenario($seed))->scenario());
            $darkMs = 0;
            $since = null;
            foreach ($result->events as $event) {
                if ($event->kind()->value === 'bus_dead') {
                    self::assertNull($since);
                    $since = $event->tMs;
                } elseif ($event->kind()->value === 'bus_live') {
                    self::assertNotNull($since);
                    $darkMs += $event->tMs - $since;
                    $since = null;
                }
            }
            $darkMs += $since === null ? 0 : 20_000 - $since;
            self::assertSame($darkMs, $result->metrics->busDeadMs);
            self::assertSame($since === null, $result->final->isBusLive);
        });
    }

    #[Test]
    public function events_never_run_backwards_and_the_metrics_count_them(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $result = Rehearsal::play((new RandomScenario($seed))->scenario());
            $times = array_map(static fn(Event $event): int => $event->tMs, $result->events);
            $sorted = $times;
            sort($sorted);
            self::assertSame($sorted, $times);
            $count = static fn(string $kind): int => count(array_filter(
                $result->events,
                static fn(Event $event): bool => $event->kind()->value === $kind,
            ));
            self::assertSame($count('engine_fired'), $result->metrics->engineStarts);
            self::assertSame($count('switch_closed'), $result->metrics->transfersToEmergency + $result->metrics->transfersToNormal);
            self::assertLessThanOrEqual($result->metrics->engineRunMs, $result->metrics->engineLoadedMs);
        });
    }

    #[Test]
    public function what_comes_after_the_end_changes_nothing(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $input = (new RandomScenario($seed))->input();
            $plain = $this->play($input);
            $last = end($input['events']);
            $input['events'][] = ['at_ms' => max(20_001, $last['at_ms']), 'do' => 'set_source', 'source' => 'normal', 'v' => 0];
            self::assertSame($this->bytes($plain), $this->bytes($this->play($input)));
        });
    }

    #[Test]
    public function cutting_a_scenario_short_gives_the_same_events_up_to_the_cut(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000), Generators::choose(0, 20_000))->then(function (int $seed, int $cutMs): void {
            $input = (new RandomScenario($seed))->input();
            $whole = array_filter($this->play($input)->events, static fn(Event $event): bool => $event->tMs <= $cutMs);
            $input['until_ms'] = $cutMs;
            self::assertEquals(array_values($whole), $this->play($input)->events);
        });
    }

    #[Test]
    public function shifting_all_times_shifts_the_result(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000), Generators::choose(1, 50_000))->then(function (int $seed, int $shiftMs): void {
            $plain = Rehearsal::play((new RandomScenario($seed))->scenario(0, false));
            $later = Rehearsal::play((new RandomScenario($seed))->scenario($shiftMs, false));
            $line = static fn(Event $event, int $by): string => ($event->tMs - $by) . ' ' . $event->kind()->value . ' '
                . json_encode($event->keys(), JSON_THROW_ON_ERROR);
            self::assertSame(
                array_map(static fn(Event $event): string => $line($event, 0), $plain->events),
                array_map(static fn(Event $event): string => $line($event, $shiftMs), $later->events),
            );
            self::assertSame($plain->metrics->busDeadMs, $later->metrics->busDeadMs);
        });
    }

    #[Test]
    public function rehearsing_twice_gives_the_same_bytes(): void
    {
        $this->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            self::assertSame(
                $this->bytes(Rehearsal::play((new RandomScenario($seed))->scenario())),
                $this->bytes(Rehearsal::play((new RandomScenario($seed))->scenario())),
            );
        });
    }

    /** @param array<string, mixed> $input */
    private function play(array $input): RehearsalResult
    {
        return Rehearsal::play((new ScenarioReader())->scenario(Node::fromArray($input)));
    }

    private function bytes(RehearsalResult $result): string
    {
        return json_encode($result->toArray(), JSON_THROW_ON_ERROR);
    }
}
