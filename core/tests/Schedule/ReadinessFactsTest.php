<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What each criterion of readiness loses, on both sides of each of its edges. */
final class ReadinessFactsTest extends TestCase
{
    private const TODAY = '2026-11-27';

    /** @param array<string, mixed> $facts */
    #[Test, DataProvider('facts')]
    public function a_criterion_loses_what_its_facts_say(string $criterion, array $facts, float $fraction, string $state): void
    {
        $site = $this->site($facts);
        $row = array_column($site['criteria'], null, 'id')[$criterion];
        self::assertEqualsWithDelta($fraction, $row['fraction'], 1e-9);
        self::assertSame($state, $row['state']);
    }

    /** @return iterable<string, array{string, array<string, mixed>, float, string}> */
    public static function facts(): iterable
    {
        yield 'selector at automatic' => ['selector', ['selector' => 'auto'], 0.0, 'ok'];
        yield 'selector off' => ['selector', ['selector' => 'off'], 1.0, 'lost'];
        yield 'selector not seen' => ['selector', [], 0.5, 'unknown'];
        yield 'a stop' => ['open_stops', ['open_stops' => 1], 1.0, 'lost'];
        yield 'no stop' => ['open_stops', ['open_stops' => 0], 0.0, 'ok'];

        $outage = static fn(string $date, string $result = 'pass'): array => ['outage_test' => ['date' => $date, 'result' => $result]];
        yield 'an outage test on its last day' => ['outage_test', $outage('2025-11-27'), 0.0, 'ok'];
        yield 'a day later' => ['outage_test', $outage('2025-11-26'), 0.4, 'lost'];
        yield 'half a year over' => ['outage_test', $outage('2025-05-31'), 0.4, 'lost'];
        yield 'a day more' => ['outage_test', $outage('2025-05-30'), 0.6, 'lost'];
        yield 'a year over' => ['outage_test', $outage('2024-12-02'), 0.6, 'lost'];
        yield 'longer' => ['outage_test', $outage('2024-12-01'), 0.8, 'lost'];
        yield 'one that failed yesterday' => ['outage_test', $outage('2026-11-26', 'fail'), 1.0, 'lost'];
        yield 'never' => ['outage_test', [], 0.9, 'unknown'];

        $load = static fn(string $school, string $date): array => [
            'school' => $school, 'load_test' => ['date' => $date, 'result' => 'pass'],
        ];
        yield 'a quarterly load test on its last day' => ['load_test', $load('quarterly', '2026-08-27'), 0.0, 'ok'];
        yield 'and after it' => ['load_test', $load('quarterly', '2026-08-26'), 0.4, 'lost'];
        yield 'the same by a yearly school' => ['load_test', $load('annual', '2026-08-26'), 0.0, 'ok'];
        yield 'the same by a monthly school' => ['load_test', $load('critical', '2026-08-26'), 0.8, 'lost'];

        yield 'fuel for all the days' => ['fuel', ['fuel_days' => 3], 0.0, 'ok'];
        yield 'for half of them' => ['fuel', ['fuel_days' => 1.5], 0.5, 'lost'];
        yield 'none' => ['fuel', ['fuel_days' => 0], 1.0, 'lost'];
        yield 'from a pipe' => ['fuel', ['fuel_piped' => true, 'fuel_days' => 0], 0.0, 'ok'];
        yield 'nobody looked' => ['fuel', [], 0.7, 'unknown'];

        $battery = static fn(string $since, float $v): array => ['battery_installed' => $since, 'battery_rest_v' => $v];
        yield 'a young full battery' => ['battery', $battery('2023-11-28', 12.6), 0.0, 'ok'];
        yield 'three years old' => ['battery', $battery('2023-11-27', 12.6), 0.5, 'lost'];
        yield 'the day before five years' => ['battery', $battery('2021-11-28', 12.6), 0.5, 'lost'];
        yield 'five years old' => ['battery', $battery('2021-11-27', 12.6), 1.0, 'lost'];
        yield 'a little low' => ['battery', $battery('2026-01-01', 12.59), 0.3, 'lost'];
        yield 'lower' => ['battery', $battery('2026-01-01', 12.39), 0.6, 'lost'];
        yield 'flat' => ['battery', $battery('2026-01-01', 12.19), 1.0, 'lost'];
        yield 'of 24 V, halved' => ['battery', ['battery_nominal_v' => 24] + $battery('2026-01-01', 24.8), 0.3, 'lost'];
        yield 'its age is not known' => ['battery', ['battery_rest_v' => 12.7], 0.35, 'lost'];
        yield 'low, and its age not known' => ['battery', ['battery_rest_v' => 12.3], 0.6, 'lost'];
        yield 'its volts are not known' => ['battery', ['battery_installed' => '2026-01-01'], 0.35, 'lost'];
        yield 'nothing is known of it' => ['battery', [], 0.7, 'unknown'];

        yield 'settings as they were proved' => ['settings', ['settings_proven' => 'a', 'settings_now' => 'a'], 0.0, 'ok'];
        yield 'others' => ['settings', ['settings_proven' => 'a', 'settings_now' => 'b'], 1.0, 'lost'];
        yield 'never proved' => ['settings', ['settings_now' => 'b'], 0.6, 'unknown'];

        $exercise = static fn(string $last): array => ['last_exercise' => $last, 'exercise_every_days' => 7];
        yield 'an exercise that is due today' => ['exercise', $exercise('2026-11-20'), 0.0, 'ok'];
        yield 'one missed' => ['exercise', $exercise('2026-11-19'), 0.4, 'lost'];
        yield 'two missed' => ['exercise', $exercise('2026-11-12'), 0.7, 'lost'];
        yield 'three missed' => ['exercise', $exercise('2026-11-05'), 1.0, 'lost'];
        yield 'none written down' => ['exercise', [], 0.7, 'unknown'];

        foreach ([[0, 0.0, 'ok'], [1, 0.6, 'lost'], [2, 1.0, 'lost'], [9, 1.0, 'lost']] as [$count, $fraction, $state]) {
            yield "$count alarms" => ['alarms', ['alarms_active' => $count], $fraction, $state];
        }
        foreach ([[0, 0.0, 'ok'], [1, 0.4, 'lost'], [2, 0.7, 'lost'], [3, 1.0, 'lost']] as [$count, $fraction, $state]) {
            yield "$count things overdue" => ['service', ['service_overdue' => $count], $fraction, $state];
        }
    }

    /** @param array<string, mixed> $facts */
    #[Test, DataProvider('caps')]
    public function what_keeps_a_set_from_starting_caps_everything_else(array $facts, ?float $cap): void
    {
        $site = $this->site($facts + self::good());
        self::assertEquals($cap, $site['cap']);
        self::assertSame($cap === null ? 'ready' : 'not_ready', $site['grade']);
        self::assertLessThanOrEqual($cap ?? 100.0, $site['score']);
    }

    /** @return iterable<string, array{array<string, mixed>, ?float}> */
    public static function caps(): iterable
    {
        yield 'nothing wrong' => [[], null];
        yield 'selector off' => [['selector' => 'off'], 20.0];
        yield 'a stop' => [['open_stops' => 2], 20.0];
        yield 'a failed outage test' => [['outage_test' => ['date' => self::TODAY, 'result' => 'fail']], 30.0];
        yield 'a failed load test' => [['load_test' => ['date' => self::TODAY, 'result' => 'fail']], 40.0];
        yield 'an empty tank' => [['fuel_days' => 0], 40.0];
        yield 'an empty tank beside a pipe' => [['fuel_days' => 0, 'fuel_piped' => true], null];
    }

    /** @return array<string, mixed> */
    private static function good(): array
    {
        return [
            'selector' => 'auto', 'open_stops' => 0, 'outage_test' => ['date' => self::TODAY, 'result' => 'pass'],
            'load_test' => ['date' => self::TODAY, 'result' => 'pass'], 'fuel_days' => 5, 'battery_installed' => '2026-01-01',
            'battery_rest_v' => 12.8, 'settings_proven' => 'a', 'settings_now' => 'a', 'last_exercise' => self::TODAY, 'alarms_active' => 0,
            'service_overdue' => 0,
        ];
    }

    /**
     * @param array<string, mixed> $facts
     *
     * @return array<string, mixed>
     */
    private function site(array $facts): array
    {
        $answer = (new Calculations())->calc('storm_readiness', Node::fromArray([
            'today' => self::TODAY, 'sites' => [(object) (['id' => 'a'] + $facts)],
        ]));

        return CaseFile::asArray($answer)['sites'][0];
    }
}
