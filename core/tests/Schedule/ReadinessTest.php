<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a site loses before a storm, each fraction on its edge and just beyond. Rule: docs/rules.md#storm-readiness. */
final class ReadinessTest extends TestCase
{
    use Answers;

    private const TODAY = '2026-08-01';
    private const READY = [
        'id' => 'mill-lane', 'selector' => 'auto', 'open_stops' => 0, 'outage_test' => ['date' => '2026-07-01', 'result' => 'pass'],
        'load_test' => ['date' => '2026-07-01', 'result' => 'pass'], 'fuel_days' => 4, 'battery_installed' => '2026-01-10',
        'battery_rest_v' => 12.7, 'settings_proven' => 'a', 'settings_now' => 'a', 'last_exercise' => '2026-07-31', 'alarms_active' => 0,
        'service_overdue' => 0,
    ];
    private const WEIGHTS = [
        'selector' => 20, 'open_stops' => 15, 'outage_test' => 15, 'load_test' => 12, 'fuel' => 12, 'battery' => 8, 'settings' => 6,
        'exercise' => 5, 'alarms' => 4, 'service' => 3,
    ];

    /** @return iterable<string, array{string, array<string, mixed>, float}> criterion, facts, fraction that is lost */
    public static function fractions(): iterable
    {
        yield 'selector in auto' => ['selector', [], 0];
        foreach (['off', 'manual', 'test'] as $position) {
            yield "selector in $position" => ['selector', ['selector' => $position], 1];
        }
        yield 'selector not looked at' => ['selector', ['selector' => null], 0.5];
        yield 'a stop open' => ['open_stops', ['open_stops' => 1], 1];
        yield 'stops not known' => ['open_stops', ['open_stops' => null], 0.5];
        $test = static fn(string $date, string $result = 'pass'): array => ['date' => $date, 'result' => $result];
        yield 'outage test due today' => ['outage_test', ['outage_test' => $test('2025-08-01')], 0];
        yield 'outage test due yesterday' => ['outage_test', ['outage_test' => $test('2025-07-31')], 0.4];
        yield 'over by 180 days' => ['outage_test', ['outage_test' => $test('2025-02-02')], 0.4];
        yield 'over by 181 days' => ['outage_test', ['outage_test' => $test('2025-02-01')], 0.6];
        yield 'over by 360 days' => ['outage_test', ['outage_test' => $test('2024-08-06')], 0.6];
        yield 'over by 361 days' => ['outage_test', ['outage_test' => $test('2024-08-05')], 0.8];
        yield 'outage test failed' => ['outage_test', ['outage_test' => $test('2026-07-01', 'fail')], 1];
        yield 'never tried' => ['outage_test', ['outage_test' => null], 0.9];
        $due = ['critical' => '2026-07-01', 'quarterly' => '2026-05-01', 'semi_annual' => '2026-02-01', 'annual' => '2025-08-01'];
        foreach ($due as $school => $day) {
            $before = (new \DateTimeImmutable($day))->modify('-1 day')->format('Y-m-d');
            yield "load test, $school, due today" => ['load_test', ['school' => $school, 'load_test' => $test($day)], 0];
            yield "load test, $school, due yesterday" => ['load_test', ['school' => $school, 'load_test' => $test($before)], 0.4];
        }
        yield 'load test failed' => ['load_test', ['load_test' => $test('2026-07-01', 'fail')], 1];
        yield 'never tested' => ['load_test', ['load_test' => null], 0.9];
        yield 'fuel for three days' => ['fuel', ['fuel_days' => 3], 0];
        yield 'fuel for half of it' => ['fuel', ['fuel_days' => 1.5], 0.5];
        yield 'no fuel' => ['fuel', ['fuel_days' => 0], 1];
        yield 'piped' => ['fuel', ['fuel_days' => null, 'fuel_piped' => true], 0];
        yield 'fuel not known' => ['fuel', ['fuel_days' => null], 0.7];
        yield 'battery of a day before three years' => ['battery', ['battery_installed' => '2023-08-02'], 0];
        yield 'battery of three years' => ['battery', ['battery_installed' => '2023-08-01'], 0.5];
        yield 'battery of a day before five years' => ['battery', ['battery_installed' => '2021-08-02'], 0.5];
        yield 'battery of five years' => ['battery', ['battery_installed' => '2021-08-01'], 1];
        foreach (['12.6' => 0, '12.59' => 0.3, '12.4' => 0.3, '12.39' => 0.6, '12.2' => 0.6, '12.19' => 1] as $volts => $fraction) {
            yield "battery at $volts V" => ['battery', ['battery_rest_v' => (float) $volts], $fraction];
            $twice = ['battery_rest_v' => 2 * (float) $volts, 'battery_nominal_v' => 24];
            yield "two of them at $volts V" => ['battery', $twice, $fraction];
        }
        yield 'battery of unknown age' => ['battery', ['battery_installed' => null], 0.35];
        yield 'battery not measured' => ['battery', ['battery_rest_v' => null], 0.35];
        yield 'old and not measured' => ['battery', ['battery_installed' => '2020-01-01', 'battery_rest_v' => null], 1];
        yield 'battery not known' => ['battery', ['battery_installed' => null, 'battery_rest_v' => null], 0.7];
        yield 'other settings' => ['settings', ['settings_now' => 'b'], 1];
        yield 'settings not read' => ['settings', ['settings_now' => null], 0.6];
        yield 'never proved' => ['settings', ['settings_proven' => null], 0.6];
        $exercises = ['2026-07-25' => 0, '2026-07-24' => 0.4, '2026-07-18' => 0.4, '2026-07-17' => 0.7, '2026-07-10' => 1];
        foreach ($exercises as $day => $fraction) {
            yield "exercised $day" => ['exercise', ['last_exercise' => $day], $fraction];
        }
        yield 'every month' => ['exercise', ['last_exercise' => '2026-07-02', 'exercise_every_days' => 30], 0];
        yield 'exercise not known' => ['exercise', ['last_exercise' => null], 0.7];
        $counted = ['alarms_active' => ['alarms', [0, 0.6, 1, 1], 0.5], 'service_overdue' => ['service', [0, 0.4, 0.7, 1], 0.6]];
        foreach ($counted as $fact => $rule) {
            foreach ($rule[1] as $count => $fraction) {
                yield "$fact: $count" => [$rule[0], [$fact => $count], $fraction];
            }
            yield "$fact not known" => [$rule[0], [$fact => null], $rule[2]];
        }
    }

    /** @param array<string, mixed> $facts */
    #[Test, DataProvider('fractions')]
    public function a_fact_costs_its_share(string $criterion, array $facts, float $fraction): void
    {
        $site = self::site($facts);
        $of = array_column((array) $site['criteria'], null, 'id')[$criterion];
        self::assertEqualsWithDelta($fraction, $of['fraction'], 1e-9);
        self::assertEqualsWithDelta(self::WEIGHTS[$criterion] * $fraction, $of['lost'], 1e-9);
        self::assertEqualsWithDelta(100 - self::WEIGHTS[$criterion] * $fraction, $site['raw'], 1e-9);
        self::assertSame($fraction > 0 ? [$criterion] : [], $site['reasons']);
    }

    /** @return iterable<string, array{array<string, mixed>, float}> */
    public static function caps(): iterable
    {
        yield 'selector' => [['selector' => 'off'], 20];
        yield 'stops' => [['open_stops' => 2], 20];
        yield 'outage test' => [['outage_test' => ['date' => '2026-07-01', 'result' => 'fail']], 30];
        yield 'load test' => [['load_test' => ['date' => '2026-07-01', 'result' => 'fail']], 40];
        yield 'fuel' => [['fuel_days' => 0], 40];
        yield 'the lowest of two' => [['fuel_days' => 0, 'selector' => 'off'], 20];
    }

    /** @param array<string, mixed> $facts */
    #[Test, DataProvider('caps')]
    public function what_keeps_it_from_starting_caps_the_score(array $facts, float $cap): void
    {
        $site = self::site($facts + ['priority' => 5]);
        self::assertEqualsWithDelta($cap, $site['cap'], 1e-9);
        self::assertEqualsWithDelta($cap, $site['score'], 1e-9);
        self::assertSame('not_ready', $site['grade']);
        self::assertEqualsWithDelta((100 - $cap) * 5, $site['need'], 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function grades(): iterable
    {
        yield 'all good' => [[], 'ready'];
        yield 'on 85' => [['battery_installed' => '2020-01-01', 'settings_now' => 'b', 'fuel_days' => 2.75], 'ready'];
        yield 'below 85' => [['battery_installed' => '2020-01-01', 'settings_now' => 'b', 'fuel_days' => 2.7], 'watch'];
        yield 'one of the first six not known' => [['battery_installed' => null, 'battery_rest_v' => null], 'watch'];
        yield 'another one not known' => [['alarms_active' => null], 'ready'];
        yield 'a test over its date' => [['outage_test' => ['date' => '2025-07-01', 'result' => 'pass']], 'watch'];
        $bare = ['outage_test' => null, 'load_test' => null]; // 24.3 lost
        yield 'just above 60' => [$bare + ['settings_now' => 'b', 'battery_installed' => '2020-01-01'], 'watch'];
        yield 'below 60' => [$bare + ['settings_now' => 'b', 'battery_installed' => '2020-01-01', 'alarms_active' => 1], 'act'];
    }

    /** @param array<string, mixed> $facts */
    #[Test, DataProvider('grades')]
    public function a_grade_says_what_to_do(array $facts, string $grade): void
    {
        self::assertSame($grade, self::site($facts)['grade']);
    }

    /** @return iterable<string, array{array<string, mixed>, ?string, float}> what is wrong, the best action, its minutes */
    public static function actions(): iterable
    {
        yield 'nothing' => [[], null, 0];
        yield 'selector' => [['selector' => 'off'], 'set_auto', 10];
        yield 'two stops' => [['open_stops' => 2], 'clear_stops', 120];
        yield 'stops not known' => [['open_stops' => null], 'clear_stops', 60];
        yield 'outage test' => [['outage_test' => null], 'outage_test', 60];
        yield 'load test' => [['load_test' => null], 'load_test', 120];
        yield 'fuel' => [['fuel_days' => 0], 'refuel', 30];
        yield 'battery' => [['battery_installed' => '2020-01-01'], 'battery', 30];
        yield 'settings' => [['settings_now' => 'b'], 'prove_settings', 30];
        yield 'exercise' => [['last_exercise' => '2026-06-01'], 'exercise_run', 30];
        yield 'alarms' => [['alarms_active' => 1], 'clear_alarms', 30];
        yield 'service' => [['service_overdue' => 1], 'service', 90];
    }

    /** @param array<string, mixed> $facts */
    #[Test, DataProvider('actions')]
    public function the_best_action_gains_most_in_a_minute(array $facts, ?string $action, float $minutes): void
    {
        $best = self::site($facts)['best'];
        if ($action === null) {
            self::assertNull($best);

            return;
        }
        self::assertIsArray($best);
        self::assertSame($action, $best['action']);
        self::assertEqualsWithDelta($minutes, $best['minutes'], 1e-9);
        self::assertEqualsWithDelta(100.0, $best['score_after'], 1e-9);
    }

    #[Test]
    public function the_least_work_to_the_target_is_found_among_all(): void
    {
        $site = self::site(['selector' => 'off', 'outage_test' => null, 'battery_installed' => '2020-01-01', 'alarms_active' => 2]);
        // 20 + 13.5 + 8 + 4 lost: auto and the outage test are the least that reaches 85
        self::assertSame(['set_auto', 'outage_test'], $site['to_target']['actions']);
        self::assertEqualsWithDelta(70.0, $site['to_target']['minutes'], 1e-9);
        self::assertEqualsWithDelta(88.0, $site['to_target']['score_after'], 1e-9);
    }

    #[Test]
    public function weights_of_ones_own_take_the_place_of_single_ones(): void
    {
        $input = ['today' => self::TODAY, 'weights' => ['selector' => 0, 'fuel' => 32], 'sites' => [self::facts(['fuel_days' => 1.5])]];
        $site = ((array) self::answer('storm_readiness', $input)['sites'])[0];
        self::assertEqualsWithDelta(84.0, $site['raw'], 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function told(): iterable
    {
        yield 'all ready' => [[], ['fleet-ready']];
        yield 'battery at half' => [['battery_installed' => '2023-08-01'], ['battery-weak']];
        yield 'battery at 0.3' => [['battery_rest_v' => 12.5], []];
        yield 'one exercise missed' => [['last_exercise' => '2026-07-24'], ['exercise-missed']];
        yield 'fuel short' => [['fuel_days' => 2.9], ['fuel-short']];
        yield 'a service over' => [['service_overdue' => 1], ['service-overdue']];
        yield 'selector off' => [['selector' => 'off'], ['selector-not-auto']];
        yield 'never tried' => [['outage_test' => null], ['outage-never-proved', 'unknown-facts']];
    }

    /**
     * @param array<string, mixed> $facts
     * @param list<string>         $ids
     */
    #[Test, DataProvider('told')]
    public function a_fleet_is_told_what_stands_against_it(array $facts, array $ids): void
    {
        $found = self::found('storm_readiness', ['today' => self::TODAY, 'sites' => [self::facts($facts)]]);
        self::assertEqualsCanonicalizing($ids, array_values(array_diff($found, ['fleet-ready'])) ?: array_intersect($found, $ids));
    }

    #[Test]
    public function the_greatest_need_comes_first_and_of_equals_the_first_name(): void
    {
        $sites = [
            self::facts(['id' => 'c', 'alarms_active' => 1]), self::facts(['id' => 'b', 'alarms_active' => 1]),
            self::facts(['id' => 'a']), self::facts(['id' => 'd', 'alarms_active' => 1, 'priority' => 4]),
        ];
        self::assertSame(['d', 'b', 'c', 'a'], self::answer('storm_readiness', ['today' => self::TODAY, 'sites' => $sites])['order']);
    }

    /**
     * @param array<string, mixed> $facts null: not known
     *
     * @return array<string, mixed>
     */
    private static function facts(array $facts): array
    {
        return array_filter($facts + self::READY, static fn(mixed $fact): bool => $fact !== null);
    }

    /**
     * @param array<string, mixed> $facts
     *
     * @return array<string, mixed>
     */
    private static function site(array $facts): array
    {
        return ((array) self::answer('storm_readiness', ['today' => self::TODAY, 'sites' => [self::facts($facts)]])['sites'])[0];
    }
}
