<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Lane;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Span;
use Escapement\Core\Simulation\Verb;
use Escapement\Core\Tests\Rehearsal\RandomScenario;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class StateTimelineTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function every_lane_fills_the_time_without_a_gap_and_neighbours_differ(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $timeline = Rehearsal::play($scenario)->timeline($scenario->untilMs);
            foreach (Lane::cases() as $lane) {
                $this->assertGapless($timeline->spans($lane), $scenario->untilMs, $lane->name);
            }
            foreach ($scenario->loads as $load) {
                $this->assertGapless($timeline->loadSpans($load->id), $scenario->untilMs, $load->id);
            }
        });
    }

    #[Test]
    public function the_state_at_a_moment_is_that_of_the_span_around_it(): void
    {
        $this->limitTo(60)->forAll(
            Generators::choose(0, 2_000_000_000),
            Generators::choose(0, 1000),
        )->then(function (int $seed, int $part): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $timeline = Rehearsal::play($scenario)->timeline($scenario->untilMs);
            $ms = intdiv($scenario->untilMs * $part, 1000);
            foreach (Lane::cases() as $lane) {
                foreach ($timeline->spans($lane) as $span) {
                    if ($span->fromMs <= $ms && $ms < $span->toMs) {
                        self::assertSame($span->state, $timeline->stateOf($lane, $ms), "$lane->name at $ms");
                    }
                }
            }
        });
    }

    #[Test]
    public function the_last_state_is_the_final_state_of_the_run(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $result = Rehearsal::play($scenario);
            $timeline = $result->timeline($scenario->untilMs);
            $final = $result->final;
            self::assertSame($final->position, $timeline->stateOf(Lane::Position, $scenario->untilMs));
            self::assertSame($final->isNormalGood ? 'good' : 'lost', $timeline->stateOf(Lane::Normal, $scenario->untilMs));
            self::assertSame($final->isEmergencyGood ? 'good' : 'lost', $timeline->stateOf(Lane::Emergency, $scenario->untilMs));
            self::assertSame($final->test, $timeline->stateOf(Lane::Test, $scenario->untilMs));
            $engine = str_replace('cooling', 'running', $timeline->stateOf(Lane::Engine, $scenario->untilMs));
            self::assertSame((string) $final->engine, $engine);
            $state = $timeline->at($scenario->untilMs);
            self::assertSame($final->isBusLive, $state->isBusLive);
            self::assertEqualsCanonicalizing($final->shed, array_keys($state->shed));
            self::assertEquals($result->metrics, $state->metrics($scenario->untilMs));
        });
    }

    #[Test]
    public function the_voltage_feeds_the_bus_in_the_moments_in_which_the_simulation_says_so(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $playback = new Playback($scenario);
            foreach ($playback->timeline->moments as $moment) {
                $closedOn = $moment->state->closedOn;
                if ($closedOn !== null && $moment->tMs < $playback->untilMs) {
                    $trace = $closedOn === Side::Normal ? $playback->normal : $playback->emergency;
                    $now = array_filter(
                        $trace->live,
                        static fn(Span $span): bool => $span->fromMs <= $moment->tMs && $moment->tMs < $span->toMs,
                    );
                    self::assertSame([$moment->state->isBusLive ? 'live' : 'dead'], array_column($now, 'state'), "at $moment->tMs ms");
                }
            }
        });
    }

    #[Test]
    public function an_engine_that_was_reset_after_a_trip_stands_ready(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $timeline = (new Playback(new Scenario($template->plant(), $template->settings(), [
            new ScenarioEvent(1000, Verb::EngineTrip, reason: 'low oil'),
            new ScenarioEvent(5000, Verb::EngineReset),
        ], 60_000)))->timeline;
        self::assertSame('locked_out', $timeline->stateOf(Lane::Engine, 4999));
        self::assertSame('stopped', $timeline->stateOf(Lane::Engine, 5000));
        self::assertEquals(
            [new Span(0, 1000, 'stopped'), new Span(1000, 5000, 'locked_out'), new Span(5000, 14_000, 'stopped')],
            $timeline->spans(Lane::Engine),
        );
    }

    #[Test]
    public function an_engine_cools_down_coasts_and_stands(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $plant = $template->plant();
        $timeline = Rehearsal::play(new Scenario($plant, $template->settings(), [
            new ScenarioEvent(1000, Verb::SetSource, Side::Normal, [0, 0]),
            new ScenarioEvent(100_000, Verb::SetSource, Side::Normal, [120, 120]),
        ], 2_000_000))->timeline(2_000_000);
        $states = array_map(static fn(Span $span): string => $span->state, $timeline->spans(Lane::Engine));
        self::assertSame(['stopped', 'cranking', 'running_up', 'running', 'cooling', 'coasting', 'stopped'], $states);
        $coasting = $timeline->spans(Lane::Engine)[5];
        self::assertSame($plant->engine?->stopMs, $coasting->toMs - $coasting->fromMs);
        $cooldown = $timeline->timerSpans(TimerName::Cooldown);
        self::assertCount(1, $cooldown);
        self::assertTrue($cooldown[0]->hasRunOut());
        self::assertSame($coasting->fromMs, $cooldown[0]->toMs);
    }

    /** @param list<Span> $spans */
    private function assertGapless(array $spans, int $untilMs, string $lane): void
    {
        $end = 0;
        $before = null;
        foreach ($spans as $span) {
            self::assertSame($end, $span->fromMs, $lane);
            self::assertNotSame($before, $span->state, $lane);
            [$end, $before] = [$span->toMs, $span->state];
        }
        self::assertSame($untilMs, $end, $lane);
    }
}
