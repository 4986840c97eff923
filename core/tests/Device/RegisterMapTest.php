<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Device;

use Escapement\Core\Tests\Answers;
use Escapement\Core\Tests\CaseFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The map of registers, written down a second time: address, width, sign and scale of every figure a device shows or keeps. */
final class RegisterMapTest extends TestCase
{
    use Answers;

    private const ALARMS = [
        'lockout', 'low_oil', 'high_coolant', 'low_battery', 'low_fuel', 'overload', 'breaker_open', 'not_in_auto', 'door_open',
    ];
    private const LAMPS = [
        'normal_available', 'emergency_available', 'on_normal', 'on_emergency', 'engine_running', 'test', 'not_in_auto', 'alarm',
    ];
    private const SAMPLE = [
        't_ms' => 4_294_967_296 + 70_000, 'position' => 'emergency', 'moving' => true, 'engine' => 'running', 'start_contact' => 'closed',
        'test' => 'load', 'selector' => 'auto', 'v_normal' => [1.1, 2.2, 3.3], 'v_emergency' => [4.4, 5.5, 6.6], 'v_bus' => [7.7, 8.8, 9.9],
        'v_generator' => [120.05, 121.1, 122.2], 'hz_normal' => 59.01, 'hz_emergency' => 60.02, 'hz_bus' => 61.03, 'hz_generator' => 62.04,
        'bus' => ['kw' => -7.01, 'kvar' => 700_000.02, 'pf' => -0.951, 'a' => [10.1, 20.2, 30.3]],
        'generator' => ['kw' => 8.03, 'kvar' => -9.04, 'pf' => 0.952, 'a' => [40.4, 50.5, 60.6]], 'meter_kw' => [-1.01, 2.02, 3.03],
        'oil_kpa' => 300.1, 'oil_c' => -20.2, 'coolant_c' => 80.3, 'exhaust_c' => 400.4, 'battery_v' => 13.57, 'fuel_pct' => 66.66,
        'run_h' => 123_456.78, 'starts' => 70_000, 'alarms' => ['low_oil', 'door_open'], 'lamps' => [
            'normal_available' => true, 'emergency_available' => false, 'on_normal' => false, 'on_emergency' => true,
            'engine_running' => true, 'test' => false, 'not_in_auto' => false, 'alarm' => true,
        ],
    ];

    /**
     * @param null|int|float $value
     * @param int            $bits  of one figure
     */
    #[Test, DataProvider('live')]
    public function a_figure_stands_at_its_address_in_its_scale(int $address, string $path, int $bits, int $perUnit, mixed $value): void
    {
        $image = self::answer('register_image', ['mode' => 'live_encode', 'sample' => self::SAMPLE]);
        $raw = (int) round($value * $perUnit, 0, PHP_ROUND_HALF_UP);
        self::assertSame(self::words($raw, $bits), array_slice($image['registers'], $address, intdiv($bits, 16)));
        self::assertSame([], array_column($image['findings'], 'id'));
        $back = (array) CaseFile::asArray(self::answer('register_image', [
            'mode' => 'live_decode', 'registers' => $image['registers'],
        ])['sample']);
        foreach (explode('.', $path) as $key) {
            $back = $back[$key];
        }
        self::assertEqualsWithDelta($raw / $perUnit, $back, 1e-9);
    }

    /** @return iterable<string, array{int, string, int, int, float|int}> address, path in the sample, bits, units per one, value */
    public static function live(): iterable
    {
        $one = static function (int $address, string $path, int $bits, int $perUnit): array {
            $value = self::SAMPLE;
            foreach (explode('.', $path) as $key) {
                $value = $value[$key];
            }

            return [$address, $path, $bits, $perUnit, $value];
        };
        foreach ([
            ['v_normal', 7, 16, 10], ['v_emergency', 10, 16, 10], ['v_bus', 13, 16, 10], ['v_generator', 16, 16, 10], ['bus.a', 23, 16, 10],
            ['generator.a', 26, 16, 10], ['meter_kw', 39, 32, 100],
        ] as [$key, $address, $bits, $perUnit]) {
            foreach ([0, 1, 2] as $leg) {
                yield "$key of leg $leg" => $one($address + $leg * intdiv($bits, 16), "$key.$leg", $bits, $perUnit);
            }
        }
        foreach ([
            'hz_normal' => [19, 16, 100], 'hz_emergency' => [20, 16, 100], 'hz_bus' => [21, 16, 100], 'hz_generator' => [22, 16, 100],
            'bus.kw' => [29, 32, 100], 'bus.kvar' => [31, 32, 100], 'bus.pf' => [33, 16, 1000], 'generator.kw' => [34, 32, 100],
            'generator.kvar' => [36, 32, 100], 'generator.pf' => [38, 16, 1000], 'oil_kpa' => [45, 16, 10], 'oil_c' => [46, 16, 10],
            'coolant_c' => [47, 16, 10], 'exhaust_c' => [48, 16, 10], 'battery_v' => [49, 16, 100], 'fuel_pct' => [50, 16, 100],
            'run_h' => [51, 32, 100], 'starts' => [53, 32, 1], 't_ms' => [55, 48, 1],
        ] as $path => [$address, $bits, $perUnit]) {
            yield $path => $one($address, $path, $bits, $perUnit);
        }
    }

    /** @param list<string> $words by their numbers */
    #[Test, DataProvider('words_of')]
    public function a_word_is_told_by_its_number(int $address, string $key, array $words): void
    {
        foreach ($words as $number => $word) {
            $sample = [$key => is_bool(self::SAMPLE[$key]) ? $word === 'yes' : $word] + self::SAMPLE;
            $image = self::answer('register_image', ['mode' => 'live_encode', 'sample' => $sample]);
            self::assertSame($number, $image['registers'][$address], $word);
            $back = self::answer('register_image', ['mode' => 'live_decode', 'registers' => $image['registers']])['sample'];
            self::assertSame($sample[$key], $back[$key]);
        }
    }

    /** @return iterable<string, array{int, string, list<string>}> */
    public static function words_of(): iterable
    {
        yield 'position' => [1, 'position', ['off', 'normal', 'emergency']];
        yield 'moving' => [2, 'moving', ['no', 'yes']];
        yield 'engine' => [3, 'engine', ['stopped', 'cranking', 'resting', 'running_up', 'running', 'coasting', 'locked_out']];
        yield 'start contact' => [4, 'start_contact', ['open', 'closed']];
        yield 'test' => [5, 'test', ['none', 'no_load', 'load']];
        yield 'selector' => [6, 'selector', ['off', 'auto']];
    }

    #[Test]
    public function alarms_and_lamps_are_bits_in_the_order_of_their_tables(): void
    {
        foreach (self::ALARMS as $bit => $alarm) {
            $image = self::answer('register_image', ['mode' => 'live_encode', 'sample' => ['alarms' => [$alarm]] + self::SAMPLE]);
            self::assertSame(1 << $bit, $image['registers'][58], $alarm);
            self::assertSame([$alarm], self::answer('register_image', [
                'mode' => 'live_decode', 'registers' => $image['registers'],
            ])['sample']['alarms']);
        }
        foreach (self::LAMPS as $bit => $lamp) {
            $lamps = [$lamp => true] + array_fill_keys(self::LAMPS, false);
            $image = self::answer('register_image', ['mode' => 'live_encode', 'sample' => ['lamps' => $lamps] + self::SAMPLE]);
            self::assertSame(1 << $bit, $image['registers'][59], $lamp);
        }
    }

    #[Test]
    public function what_does_not_fit_is_clamped_beside_the_pattern_of_nothing_and_told(): void
    {
        foreach ([
            ['v_normal', [6553.5, 0, 0], 7, [65_534]], ['coolant_c', 5000, 47, [32_767]], ['coolant_c', -5000, 47, [0x8001]],
            ['starts', 4_294_967_295, 53, [0xFFFF, 0xFFFE]],
        ] as [$key, $value, $address, $words]) {
            $image = self::answer('register_image', ['mode' => 'live_encode', 'sample' => [$key => $value] + self::SAMPLE]);
            self::assertSame($words, array_slice($image['registers'], $address, count($words)));
            self::assertSame(['clamped'], array_column($image['findings'], 'id'));
        }
        $fits = self::answer('register_image', ['mode' => 'live_encode', 'sample' => ['v_normal' => [6553.4, 0, 0]] + self::SAMPLE]);
        self::assertSame([], $fits['findings']);
    }

    #[Test]
    public function a_sheet_stands_in_its_block_offset_by_offset(): void
    {
        $limit = static fn(float $dropout, float $pickup): array => ['dropout_pct' => $dropout, 'pickup_pct' => $pickup];
        $sensing = static fn(int $i): array => [
            'under_voltage' => $limit(80 + $i, 90 + $i), 'over_voltage' => $limit(115 + $i, 110.25 + $i),
            'under_frequency' => $limit(85 + $i, 95 + $i), 'over_frequency' => $limit(112 + $i, 106 + $i),
            'unbalance' => $limit(6 + $i, 4 + $i), 'rotation_check' => $i === 1, 'dropout_delay_ms' => 500 + $i,
        ];
        $source = ['phases' => 3, 'nominal_v' => 120, 'nominal_hz' => 60];
        $block = self::answer('register_image', [
            'mode' => 'settings_encode',
            'system' => ['kind' => 'standby', 'sources' => ['normal' => $source, 'emergency' => $source], 'engine' => [
                'crank_ms' => 1, 'crank_limit_ms' => 2, 'crank_rest_ms' => 3, 'crank_attempts' => 4, 'run_up_ms' => 5, 'stop_ms' => 6,
            ]],
            'settings' => [
                'sensing' => ['normal' => $sensing(0), 'emergency' => $sensing(1)], 'start_delay_ms' => 3001, 'transfer_delay_ms' => 4002,
                'return_delay_ms' => 300_003, 'cooldown_ms' => 120_004, 'min_run_ms' => 60_005, 'travel_ms' => 106, 'off_delay_ms' => 207,
                'transition' => 'delayed', 'commit_to_transfer' => true,
                'exercise' => ['first_at_ms' => 1001, 'every_ms' => 6_000_000_002, 'for_ms' => 900_003, 'with_load' => true],
                'load_shed' => [
                    'limit_kw' => 700.25, 'first_step_ms' => 5001, 'step_ms' => 6002, 'overload_ms' => 2003, 'lockout_ms' => 180_004,
                ],
            ],
        ])['registers'];
        self::assertCount(72, $block);
        self::assertSame(1, $block[0]);
        self::assertSame(0b1111011, $block[1], 'delayed, commit, not the first order, the second order, exercise, with load, shedding');
        foreach ([
            2 => 3001, 5 => 4002, 8 => 300_003, 11 => 120_004, 14 => 60_005, 17 => 106, 20 => 207, 23 => 500, 26 => 501, 49 => 1001,
            52 => 6_000_000_002, 55 => 900_003, 60 => 5001, 63 => 6002, 66 => 2003, 69 => 180_004,
        ] as $offset => $ms) {
            self::assertSame(self::words($ms, 48), array_slice($block, $offset, 3), "offset $offset");
        }
        self::assertSame(self::words(70_025, 32), array_slice($block, 58, 2));
        self::assertSame([8000, 9000, 11_500, 11_025, 8500, 9500, 11_200, 10_600, 600, 400], array_slice($block, 29, 10));
        self::assertSame([8100, 9100, 11_600, 11_125, 8600, 9600, 11_300, 10_700, 700, 500], array_slice($block, 39, 10));
    }

    /** @return list<int> registers, the high word first */
    private static function words(int $raw, int $bits): array
    {
        $words = [];
        for ($shift = $bits - 16; $shift >= 0; $shift -= 16) {
            $words[] = ($raw >> $shift) & 0xFFFF;
        }

        return $words;
    }
}
