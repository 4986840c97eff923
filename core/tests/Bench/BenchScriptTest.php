<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Tests\Answers;
use Escapement\Core\Tests\CaseFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a hand does, as events of the timing rules; and the alarms of the front, on both sides of their limits. */
final class BenchScriptTest extends TestCase
{
    use Answers;

    /**
     * @param list<array<string, mixed>> $hands
     * @param list<array<string, mixed>> $scenario
     */
    #[Test, DataProvider('hands')]
    public function a_hand_is_translated_as_the_rules_have_it(array $hands, array $scenario, InstallationKind $kind): void
    {
        $played = (array) CaseFile::asArray(self::play($hands, kind: $kind));
        self::assertEquals($scenario, $played['scenario']);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<array<string, mixed>>, InstallationKind}> */
    public static function hands(): iterable
    {
        $house = InstallationKind::WholeHouse;
        $normal = static fn(int $at, array $keys, string $do = 'set_source'): array => [
            'at_ms' => $at, 'do' => $do, 'source' => 'normal',
        ] + $keys;
        $open = ['at_ms' => 1000, 'do' => 'utility_disconnect', 'open' => true];
        $shut = ['at_ms' => 9000, 'do' => 'utility_disconnect', 'open' => false];
        yield 'open and closed' => [[$open, $shut], [$normal(1000, ['v' => 0]), $normal(9000, ['v' => 120])], $house];
        yield 'volts alone' => [[['at_ms' => 5, 'do' => 'utility', 'v' => 100]], [$normal(5, ['v' => 100])], $house];
        yield 'volts of each leg' => [
            [['at_ms' => 5, 'do' => 'utility', 'v' => [100, 120]]], [$normal(5, ['v' => [100, 120]])], $house,
        ];
        yield 'hertz alone' => [[['at_ms' => 5, 'do' => 'utility', 'hz' => 58]], [$normal(5, ['hz' => 58])], $house];
        yield 'rotation alone' => [
            [['at_ms' => 5, 'do' => 'utility', 'rotation' => 'acb']], [$normal(5, ['rotation' => 'acb'])],
            InstallationKind::ContactorPair,
        ];
        yield 'all at once' => [
            [['at_ms' => 5, 'do' => 'utility', 'v' => 110, 'hz' => 59, 'rotation' => 'acb']],
            [$normal(5, ['v' => 110, 'hz' => 59, 'rotation' => 'acb'])], InstallationKind::ContactorPair,
        ];
        yield 'a ramp of both, the rotation before it' => [
            [['at_ms' => 5, 'do' => 'utility', 'v' => 110, 'hz' => 59, 'rotation' => 'acb', 'over_ms' => 500]],
            [$normal(5, ['rotation' => 'acb']), $normal(5, ['v' => 110, 'hz' => 59, 'over_ms' => 500], 'ramp_source')],
            InstallationKind::ContactorPair,
        ];
        yield 'a ramp of the volts' => [
            [['at_ms' => 5, 'do' => 'utility', 'v' => 110, 'over_ms' => 500]],
            [$normal(5, ['v' => 110, 'over_ms' => 500], 'ramp_source')], $house,
        ];
        yield 'a ramp of the hertz' => [
            [['at_ms' => 5, 'do' => 'utility', 'hz' => 59, 'over_ms' => 500]],
            [$normal(5, ['hz' => 59, 'over_ms' => 500], 'ramp_source')], $house,
        ];
        yield 'a ramp of nothing but the rotation' => [
            [['at_ms' => 5, 'do' => 'utility', 'rotation' => 'acb', 'over_ms' => 500]], [$normal(5, ['rotation' => 'acb'])],
            InstallationKind::ContactorPair,
        ];
        yield 'volts behind an open disconnect only move the knobs' => [
            [$open, ['at_ms' => 5000, 'do' => 'utility', 'v' => 100], $shut],
            [$normal(1000, ['v' => 0]), $normal(9000, ['v' => 100])], $house,
        ];
        yield 'hertz behind an open disconnect' => [
            [$open, ['at_ms' => 5000, 'do' => 'utility', 'v' => 100, 'hz' => 59], $shut],
            [$normal(1000, ['v' => 0]), $normal(5000, ['hz' => 59]), $normal(9000, ['v' => 100])], $house,
        ];
        yield 'the other supply has no disconnect' => [
            [$open, ['at_ms' => 5000, 'do' => 'emergency', 'v' => 100]],
            [$normal(1000, ['v' => 0]), ['at_ms' => 5000, 'do' => 'set_source', 'source' => 'emergency', 'v' => 100]],
            InstallationKind::ContactorPair,
        ];
        $fuel = static fn(int $at, bool $isBlocked): array => ['at_ms' => $at, 'do' => 'fuel', 'blocked' => $isBlocked];
        yield 'fuel, and the same again' => [
            [$fuel(5, true), $fuel(6, true), $fuel(7, false), $fuel(8, false)],
            [
                ['at_ms' => 5, 'do' => 'crank_failures', 'count' => 1000], ['at_ms' => 7, 'do' => 'crank_failures', 'count' => 0],
            ], $house,
        ];
        $load = static fn(int $at, string $id, float|int $kw): array => ['at_ms' => $at, 'do' => 'load', 'load' => $id, 'kw' => $kw];
        $set = static fn(int $at, string $id, float|int $kw): array => ['at_ms' => $at, 'do' => 'set_load', 'load' => $id, 'kw' => $kw];
        yield 'a load' => [[$load(5, 'pump', 2.5)], [$set(5, 'pump', 2.5)], $house];
        $main = static fn(int $at, bool $isClosed): array => ['at_ms' => $at, 'do' => 'panel_main', 'closed' => $isClosed];
        yield 'the panel main, and a load behind it' => [
            [$main(5, false), $main(6, false), $load(7, 'pump', 2), $main(8, true), $main(9, true)],
            [$set(5, 'pump', 0), $set(5, 'heater', 0), $set(8, 'pump', 2), $set(8, 'heater', 4.5)], $house,
        ];
        yield 'what is none of its events' => [
            [
                ['at_ms' => 1, 'do' => 'bank', 'element' => 0, 'on' => true],
                ['at_ms' => 2, 'do' => 'ct', 'phase' => 1, 'reversed' => true],
                ['at_ms' => 3, 'do' => 'door', 'open' => true], ['at_ms' => 4, 'do' => 'charger', 'on' => false],
            ], [], $house,
        ];
        yield 'an input after the end does not happen' => [[['at_ms' => 600_001] + $open], [], $house];
    }

    /**
     * @param list<array<string, mixed>> $hands
     * @param array<string, mixed>       $set   keys of the generator
     */
    #[Test, DataProvider('alarms')]
    public function an_alarm_stands_beyond_its_limit(string $alarm, array $hands, array $set, int $atMs, bool $isOn): void
    {
        $sample = ((array) CaseFile::asArray(self::play($hands, $set, [$atMs])))['samples'][0];
        $isOn ? self::assertContains($alarm, $sample['alarms']) : self::assertNotContains($alarm, $sample['alarms']);
        self::assertSame($sample['alarms'] !== [], $sample['lamps']['alarm']);
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, array<string, mixed>, int, bool}> */
    public static function alarms(): iterable
    {
        $out = ['at_ms' => 0, 'do' => 'utility_disconnect', 'open' => true];
        $pump = static fn(float $kw): array => ['at_ms' => 0, 'do' => 'load', 'load' => 'pump', 'kw' => $kw];
        yield 'a tank of a fifth' => ['low_fuel', [], ['fuel_pct' => 20], 1, false];
        yield 'less than a fifth' => ['low_fuel', [], ['fuel_pct' => 19.99], 1, true];
        // at rest 11.8 + 0.9 of its charge, on the charger 13: the charger is off
        $off = ['at_ms' => 0, 'do' => 'charger', 'on' => false];
        yield 'a battery at rest' => ['low_battery', [$off], ['soc' => 0.2223], 1, false];
        yield 'a weak one' => ['low_battery', [$off], ['soc' => 0.2221], 1, true];
        yield 'a weak one of 24 V' => ['low_battery', [$off], ['soc' => 0.2221, 'battery_nominal_v' => 24], 1, true];
        yield 'a good one of 24 V' => ['low_battery', [$off], ['soc' => 0.2223, 'battery_nominal_v' => 24], 1, false];
        yield 'a weak one while it cranks' => ['low_battery', [$off, $out], ['soc' => 0.1], 6000, false];
        yield 'a weak one while it runs up' => ['low_battery', [$off, $out], ['soc' => 0.1], 8000, false];
        yield 'as much as it is rated for' => ['overload', [$out, $pump(13.5)], [], 60_000, false];
        yield 'more' => ['overload', [$out, $pump(13.6)], [], 60_000, true];
        yield 'oil while it stands' => ['low_oil', [], [], 1, false];
        yield 'oil while it runs up' => ['low_oil', [$out], [], 7300, false];
        yield 'coolant, cool' => ['high_coolant', [$out], ['ambient_c' => 40], 10_000, false];
        yield 'the breaker' => ['breaker_open', [['at_ms' => 0, 'do' => 'generator_breaker', 'closed' => false]], [], 1, true];
        yield 'the breaker closed' => ['breaker_open', [], [], 1, false];
        yield 'the selector' => ['not_in_auto', [['at_ms' => 0, 'do' => 'selector', 'to' => 'off']], [], 1, true];
        yield 'the door' => ['door_open', [['at_ms' => 0, 'do' => 'door', 'open' => true]], [], 1, true];
        yield 'the door shut' => ['door_open', [], [], 1, false];
        yield 'locked out' => ['lockout', [['at_ms' => 0, 'do' => 'fuel', 'blocked' => true], $out], [], 200_000, true];
    }

    #[Test]
    public function a_bus_without_load_has_no_power_factor_and_no_current(): void
    {
        $hands = [
            ['at_ms' => 0, 'do' => 'load', 'load' => 'pump', 'kw' => 0], ['at_ms' => 0, 'do' => 'load', 'load' => 'heater', 'kw' => 0],
        ];
        $sample = ((array) CaseFile::asArray(self::play($hands, at: [1000])))['samples'][0];
        self::assertEquals(['kw' => 0, 'kvar' => 0, 'pf' => null, 'a' => [0, 0]], $sample['bus']);
        $hands[] = ['at_ms' => 0, 'do' => 'bank', 'element' => 0, 'on' => true];
        $sample = ((array) CaseFile::asArray(self::play($hands, at: [1000])))['samples'][0];
        self::assertEquals(['kw' => 5, 'kvar' => 0, 'pf' => 1], array_diff_key($sample['bus'], ['a' => 0]));
        self::assertEqualsWithDelta([2500 / 120, 2500 / 120], $sample['bus']['a'], 1e-9);
    }

    #[Test, DataProvider('dips')]
    public function a_dip_beyond_a_quarter_is_severe(float $startKva, bool $isSevere): void
    {
        $input = self::input([['at_ms' => 0, 'do' => 'utility_disconnect', 'open' => true]], [], [], InstallationKind::WholeHouse);
        $input['loads'] = [['id' => 'pump', 'kw' => 3, 'priority' => 1, 'shed' => false]];
        $input['bench']['electrical'] = [['load' => 'pump', 'start_kva' => $startKva]];
        self::assertSame($isSevere, in_array('dip-severe', self::found('bench_play', $input), true));
    }

    /** @return iterable<string, array{float, bool}> */
    public static function dips(): iterable
    {
        yield 'a quarter: a third of 18 kVA over a quarter' => [24.0, false]; // 24 / (24 + 72)
        yield 'more' => [24.1, true];
    }

    /**
     * @param list<array<string, mixed>> $hands
     * @param array<string, mixed>       $set
     * @param list<int>                  $at
     *
     * @return array<string, mixed>
     */
    private static function play(
        array $hands,
        array $set = [],
        array $at = [],
        InstallationKind $kind = InstallationKind::WholeHouse,
    ): array {
        return self::answer('bench_play', self::input($hands, $set, $at, $kind));
    }

    /**
     * @param list<array<string, mixed>> $hands
     * @param array<string, mixed>       $set
     * @param list<int>                  $at
     *
     * @return array<string, mixed>
     */
    private static function input(array $hands, array $set, array $at, InstallationKind $kind): array
    {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();
        $generator = $set + ['rated_kw' => 18, 'fuel' => 'lp', 'tank_gal' => 250];

        return [
            'system' => $plant->toArray(), 'settings' => $template->settings()->toWire(),
            'loads' => [
                ['id' => 'pump', 'kw' => 3, 'priority' => 1, 'shed' => false],
                ['id' => 'heater', 'kw' => 4.5, 'priority' => 2, 'shed' => false],
            ],
            'bench' => ($plant->engine === null ? [] : ['generator' => $generator]) + ['bank' => ['elements_kw' => [5, 5]]],
            'inputs' => $hands, 'sample_at_ms' => $at, 'until_ms' => 600_000,
        ];
    }
}
