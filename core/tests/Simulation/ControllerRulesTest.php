<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Input\Node;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\RehearsalResult;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Wire\ScenarioReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Sentences of the rules that collide: what happens when two things fall into the same millisecond, or into each other. */
final class ControllerRulesTest extends TestCase
{
    private const SOURCE = ['phases' => 2, 'nominal_v' => 120, 'nominal_hz' => 60];

    #[Test]
    public function a_real_outage_during_the_movement_of_a_test_ends_the_test_and_the_load_stays_on_the_generator(): void
    {
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'test_start', 'with_load' => true],
            ['at_ms' => 11_340, 'do' => 'set_source', 'source' => 'normal', 'v' => 0], // the switch left the utility at 11.3 s
        ], ['travel_ms' => 2000]);
        self::assertSame(11_840, $this->at($result, 'test_ended'));
        self::assertSame('emergency', $result->final->position);
        self::assertSame(1, $result->metrics->transfersToEmergency);
    }

    #[Test]
    public function a_load_test_cut_by_a_real_outage_before_its_transfer_waits_for_the_start_delay_of_the_outage(): void
    {
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'test_start', 'with_load' => true],
            ['at_ms' => 8000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
        ]);
        self::assertSame(8500, $this->at($result, 'test_ended'));
        self::assertSame(8500 + 5000 + 5000 + 100, $this->at($result, 'switch_closed'));
    }

    #[Test]
    public function a_generator_that_trips_bypasses_the_return_delay(): void
    {
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 60_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
            ['at_ms' => 70_000, 'do' => 'engine_trip', 'reason' => 'overspeed'],
        ]);
        self::assertSame(70_000, $this->at($result, 'return_bypassed'));
        self::assertSame('locked_out', $result->final->engine);
        self::assertSame('normal', $result->final->position);
        self::assertSame(
            1,
            $this->times($result, 'start_contact_opened'),
            'nobody needs the engine and it is not running: the contact opens at once',
        );
    }

    #[Test]
    public function the_minimum_run_counts_from_the_firing_and_is_fixed_when_the_cool_down_begins(): void
    {
        $result = $this->play(
            [['at_ms' => 1000, 'do' => 'test_start', 'with_load' => false, 'for_ms' => 10_000]],
            ['min_run_ms' => 200_000],
        );
        $cooldown = $this->first($result, 'timer_started');
        self::assertSame(['timer' => 'cooldown', 'duration_ms' => 2500 + 200_000 - 11_000], $cooldown->keys());
        self::assertSame(202_500, $this->at($result, 'engine_stopped'));
    }

    #[Test]
    public function a_test_during_the_cool_down_takes_the_running_engine_and_cuts_the_cool_down(): void
    {
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'test_start', 'with_load' => false, 'for_ms' => 10_000],
            ['at_ms' => 20_000, 'do' => 'test_start', 'with_load' => false, 'for_ms' => 5000],
        ]);
        self::assertSame(20_000, $this->at($result, 'timer_cancelled'));
        self::assertSame(1, $result->metrics->engineStarts);
        self::assertSame(25_000 + 60_000, $this->at($result, 'engine_stopped'));
    }

    #[Test]
    public function turning_the_selector_off_in_the_start_delay_keeps_the_engine_quiet(): void
    {
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 4000, 'do' => 'selector', 'to' => 'off'],
        ]);
        self::assertSame(
            ['timer' => 'start_delay', 'duration_ms' => 5000, 'elapsed_ms' => 2500],
            $this->first($result, 'timer_cancelled')->keys(),
        );
        self::assertSame(0, $result->metrics->engineStarts);
        self::assertSame(0, $result->metrics->startsAvoided, 'the utility did not come back: nothing was avoided');
    }

    #[Test]
    public function a_second_outage_while_the_engine_cools_down_waits_the_start_delay_but_cranks_nothing(): void
    {
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 30_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
            ['at_ms' => 100_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0], // back on the utility at 90.1 s, cooling
        ]);
        self::assertSame(1, $result->metrics->engineStarts);
        self::assertSame(2, $result->metrics->transfersToEmergency);
        $closed = array_values(array_filter($result->events, static fn(Event $event): bool => $event->kind()->value === 'switch_closed'));
        self::assertSame(100_500 + 5000 + 5000 + 100, $closed[2]->tMs);
    }

    #[Test]
    public function an_engine_started_by_hand_goes_on_when_the_controller_lets_go(): void
    {
        $result = $this->play([
            ['at_ms' => 0, 'do' => 'start_generator'],
            ['at_ms' => 10_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 60_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
        ]);
        self::assertSame(1, $this->times($result, 'start_contact_opened'));
        self::assertSame('running', $result->final->engine);
        self::assertSame(0, $this->times($result, 'engine_stopped'));
    }

    #[Test]
    public function a_restart_is_a_nuisance_only_when_the_load_never_came(): void
    {
        $blip = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 9000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
        ]);
        self::assertSame([1, 1, 0], [$blip->metrics->engineStarts, $blip->metrics->nuisanceStarts, $blip->metrics->transfersToEmergency]);
        $real = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 60_000, 'do' => 'set_source', 'source' => 'normal', 'v' => 120],
        ]);
        self::assertSame(0, $real->metrics->nuisanceStarts);
    }

    #[Test]
    public function steps_that_bring_nothing_back_cost_nothing_over_a_year(): void
    {
        $loads = [
            ['id' => 'base', 'kw' => 5, 'priority' => 1, 'shed' => false],
            ['id' => 'big', 'kw' => 9, 'priority' => 2, 'shed' => true],
        ];
        $shed = ['limit_kw' => 10, 'first_step_ms' => 0, 'step_ms' => 1, 'overload_ms' => 0, 'lockout_ms' => 0];
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 31_000_000_000, 'do' => 'set_load', 'load' => 'base', 'kw' => 1],
        ], ['load_shed' => $shed], 31_536_000_000, $loads);
        self::assertSame(31_000_000_000, $this->at($result, 'load_restored'));
        self::assertLessThan(40, count($result->events));
    }

    #[Test]
    public function two_loads_of_one_priority_come_back_in_list_order_and_go_the_other_way_round(): void
    {
        $load = static fn(string $id, int|float $kw): array => ['id' => $id, 'kw' => $kw, 'priority' => 5, 'shed' => true];
        $shed = ['limit_kw' => 10, 'first_step_ms' => 1000, 'step_ms' => 1000, 'overload_ms' => 1000, 'lockout_ms' => 3_600_000];
        $result = $this->play([
            ['at_ms' => 1000, 'do' => 'set_source', 'source' => 'normal', 'v' => 0],
            ['at_ms' => 60_000, 'do' => 'set_load', 'load' => 'a', 'kw' => 8],
        ], ['load_shed' => $shed], 100_000, [$load('a', 2), $load('b', 3), $load('c', 4)]);
        $ids = static fn(string $kind, string $reason): array => array_values(array_map(
            static fn(Event $event): mixed => $event->keys()['load'],
            array_filter(
                $result->events,
                static fn(Event $event): bool => $event->kind()->value === $kind && $event->keys()['reason'] === $reason,
            ),
        ));
        self::assertSame(['a', 'b', 'c'], $ids('load_restored', 'step'));
        self::assertSame(['c', 'b'], $ids('load_shed', 'overload'));
    }

    #[Test]
    public function a_ramp_that_only_grazes_the_limit_loses_nothing(): void
    {
        $grazing = $this->play([['at_ms' => 0, 'do' => 'ramp_source', 'source' => 'normal', 'v' => 96, 'over_ms' => 7777]]);
        self::assertSame([], $grazing->events);
        $through = $this->play([['at_ms' => 0, 'do' => 'ramp_source', 'source' => 'normal', 'v' => 95.99, 'over_ms' => 7777]]);
        self::assertSame(7774 + 500, $this->at($through, 'source_lost'), '24 of 24.01 V down at 7773.8 ms: the first whole one beyond');
    }

    /**
     * @param list<array<string, mixed>> $events
     * @param array<string, mixed>       $settings
     * @param list<array<string, mixed>> $loads
     */
    private function play(array $events, array $settings = [], int $untilMs = 600_000, array $loads = []): RehearsalResult
    {
        $sensing = ['under_voltage' => ['dropout_pct' => 80, 'pickup_pct' => 90], 'dropout_delay_ms' => 500];

        return Rehearsal::play((new ScenarioReader())->scenario(Node::fromArray([
            'system' => ['kind' => 'standby', 'sources' => ['normal' => self::SOURCE, 'emergency' => self::SOURCE], 'engine' => [
                'crank_ms' => 1500,
                'crank_limit_ms' => 10_000,
                'crank_rest_ms' => 10_000,
                'crank_attempts' => 3,
                'run_up_ms' => 4000,
                'stop_ms' => 5000,
            ]],
            'settings' => $settings + [
                'sensing' => ['normal' => $sensing, 'emergency' => ['dropout_delay_ms' => 0] + $sensing],
                'start_delay_ms' => 5000, 'transfer_delay_ms' => 5000, 'return_delay_ms' => 60_000, 'cooldown_ms' => 60_000,
            ],
            'loads' => $loads,
            'events' => $events,
            'until_ms' => $untilMs,
        ])));
    }

    private function first(RehearsalResult $result, string $kind): Event
    {
        foreach ($result->events as $event) {
            if ($event->kind()->value === $kind) {
                return $event;
            }
        }
        self::fail("There is no $kind.");
    }

    private function at(RehearsalResult $result, string $kind): int
    {
        return $this->first($result, $kind)->tMs;
    }

    private function times(RehearsalResult $result, string $kind): int
    {
        return count(array_filter($result->events, static fn(Event $event): bool => $event->kind()->value === $kind));
    }
}
