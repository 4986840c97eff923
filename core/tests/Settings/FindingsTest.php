<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\SettingsCheck\SettingsCheck;
use Escapement\Core\Wire\CheckReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each finding on its limit and just beyond it: on the limit nothing is said, beyond it is, at the right path and severity. */
final class FindingsTest extends TestCase
{
    private const SOURCE = ['phases' => 2, 'nominal_v' => 120, 'nominal_hz' => 60];
    private const ENGINE = [
        'crank_ms' => 1500,
        'crank_limit_ms' => 10_000,
        'crank_rest_ms' => 10_000,
        'crank_attempts' => 3,
        'run_up_ms' => 4000,
        'stop_ms' => 5000,
    ];
    private const SENSING = [
        'under_voltage' => ['dropout_pct' => 80, 'pickup_pct' => 90],
        'over_voltage' => ['dropout_pct' => 115, 'pickup_pct' => 110],
    ];
    private const HERTZ = ['dropout_pct' => 85, 'pickup_pct' => 95];
    private const GOOD = [
        'application' => 'residential',
        'system' => ['kind' => 'standby', 'sources' => ['normal' => self::SOURCE, 'emergency' => self::SOURCE], 'engine' => self::ENGINE],
        'settings' => [
            'sensing' => [
                'normal' => self::SENSING + ['dropout_delay_ms' => 500],
                'emergency' => self::SENSING + ['under_frequency' => self::HERTZ, 'dropout_delay_ms' => 3000],
            ],
            'start_delay_ms' => 3000, 'transfer_delay_ms' => 5000, 'return_delay_ms' => 300_000, 'cooldown_ms' => 300_000,
        ],
        'site' => [
            'exercise' => ['day' => 'tue', 'time' => '11:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false],
            'load_tests_per_year' => 4,
        ],
    ];

    /**
     * @param array<string, mixed> $on
     * @param array<string, mixed> $beyond
     */
    #[Test, DataProvider('limits')]
    public function on_its_limit_nothing_is_said_and_beyond_it_is(
        string $id,
        string $severity,
        string $path,
        array $on,
        array $beyond,
    ): void {
        self::assertNotContains($id, array_column($this->check($on), 'id'), 'on the limit');
        $found = array_values(array_filter($this->check($beyond), static fn(array $finding): bool => $finding['id'] === $id));
        self::assertCount(1, $found, 'beyond the limit');
        self::assertSame([$severity, $path], [$found[0]['severity'], $found[0]['path']]);
        self::assertNotSame('', $found[0]['message']);
    }

    /** @return iterable<string, array{string, string, string, array<string, mixed>, array<string, mixed>}> */
    public static function limits(): iterable
    {
        $set = static fn(array $settings): array => ['settings' => $settings];
        $uv = static fn(
            int|float $dropout,
            int|float $pickup,
            string $side = 'normal',
        ): array => $set(['sensing' => [$side => ['under_voltage' => ['dropout_pct' => $dropout, 'pickup_pct' => $pickup]]]]);
        $N = '/settings/sensing/normal';
        $E = '/settings/sensing/emergency';
        $three = ['phases' => 3] + self::SOURCE;
        $threePhase = static fn(array $more = []): array => MergePatch::apply(['system' => [
            'sources' => ['normal' => $three, 'emergency' => $three],
        ], 'settings' => ['sensing' => [
            'normal' => ['unbalance' => ['dropout_pct' => 5, 'pickup_pct' => 3], 'rotation_check' => true],
            'emergency' => ['unbalance' => ['dropout_pct' => 5, 'pickup_pct' => 3], 'rotation_check' => true],
        ]]], $more);
        $motor = static fn(int|float $hp, array $settings = []): array =>
            ['largest_motor_hp' => $hp] + ($settings === [] ? [] : ['settings' => $settings]);
        $shed = static fn(array $more = []): array => [
            'load_shed' => $more + [
                'limit_kw' => 10,
                'first_step_ms' => 5000,
                'step_ms' => 1000,
                'overload_ms' => 1000,
                'lockout_ms' => 180_000,
            ],
        ];
        $load = static fn(int|float $kw, bool $isShed): array => ['id' => "l$kw", 'kw' => $kw, 'priority' => 1, 'shed' => $isShed];
        $plan = static fn(array $exercise, array $site = []): array => ['site' => ['exercise' => $exercise] + $site];

        yield 'three percent apart' => ['dropout-pickup-close', 'warn', "$N/under_voltage/pickup_pct", $uv(80, 83), $uv(80, 82.9)];
        yield 'three percent apart on the generator' => [
            'dropout-pickup-close',
            'warn',
            "$E/under_voltage/pickup_pct",
            $uv(80.1, 83.1, 'emergency'),
            $uv(80, 82.5, 'emergency'),
        ];
        yield 'drop-out of 70' => ['dropout-low', 'warn', "$N/under_voltage/dropout_pct", $uv(70, 90), $uv(69.99, 90)];
        yield 'drop-out of 92' => ['dropout-high', 'warn', "$N/under_voltage/dropout_pct", $uv(92, 96), $uv(92.01, 96)];
        yield 'pick-up of 97' => ['pickup-high', 'warn', "$N/under_voltage/pickup_pct", $uv(80, 97), $uv(80, 97.1)];
        yield 'pick-up of 80' => ['pickup-low-return', 'warn', "$N/under_voltage/pickup_pct", $uv(72, 80), $uv(72, 79.9)];
        yield 'over-voltage watched' => [
            'no-over-voltage',
            'note',
            "$N/over_voltage",
            [],
            $set(['sensing' => ['normal' => ['over_voltage' => null]]]),
        ];
        yield 'unbalance without a motor' => [
            'unbalance-off',
            'warn',
            "$N/unbalance",
            $threePhase(),
            $threePhase($set(['sensing' => ['normal' => ['unbalance' => null]]])),
        ];
        yield 'unbalance with a motor, generator side' => [
            'single-phasing-unseen',
            'stop',
            "$E/unbalance",
            $threePhase($motor(5)),
            $threePhase(['largest_motor_hp' => 5] + $set(['sensing' => ['emergency' => ['unbalance' => null]]])),
        ];
        yield 'rotation without a motor' => [
            'rotation-unchecked',
            'warn',
            "$E/rotation_check",
            $threePhase(),
            $threePhase($set(['sensing' => ['emergency' => ['rotation_check' => false]]])),
        ];
        yield 'rotation with a motor' => [
            'rotation-unchecked',
            'stop',
            "$N/rotation_check",
            $threePhase($motor(1)),
            $threePhase(['largest_motor_hp' => 1] + $set(['sensing' => ['normal' => ['rotation_check' => false]]])),
        ];
        yield 'a narrow generator judged within two seconds' => [
            'rejects-own-generator', 'warn', "$E/dropout_delay_ms",
            MergePatch::apply($uv(89, 93, 'emergency'), $set(['sensing' => ['emergency' => ['dropout_delay_ms' => 2000]]])),
            MergePatch::apply($uv(88.5, 93, 'emergency'), $set(['sensing' => ['emergency' => ['dropout_delay_ms' => 1999]]])),
        ];
        yield 'a generator of 88 judged fast is wide enough' => [
            'rejects-own-generator', 'warn', "$E/dropout_delay_ms",
            MergePatch::apply(
                $uv(88, 93, 'emergency'),
                $set([
                    'sensing' => ['emergency' => ['dropout_delay_ms' => 0, 'under_frequency' => ['dropout_pct' => 92, 'pickup_pct' => 95]]],
                ]),
            ),
            $set([
                'sensing' => ['emergency' => ['dropout_delay_ms' => 0, 'under_frequency' => ['dropout_pct' => 92.5, 'pickup_pct' => 95]]],
            ]),
        ];
        $hz = static fn(array $limit, array $more = []): array => $set([
            'sensing' => ['emergency' => ['under_frequency' => $limit] + $more],
        ]);
        yield 'a set accepted from 85 % volts' => [
            'accepts-weak-generator',
            'warn',
            "$E/under_voltage/pickup_pct",
            $uv(80, 85, 'emergency'),
            $uv(80, 84.9, 'emergency'),
        ];
        yield 'a set accepted from 90 % hertz' => [
            'accepts-weak-generator',
            'warn',
            "$E/under_frequency/pickup_pct",
            $hz(['pickup_pct' => 90]),
            $hz(['pickup_pct' => 89.9]),
        ];
        yield 'for life safety from 95' => [
            'accepts-weak-generator',
            'stop',
            "$E/under_frequency/pickup_pct",
            ['application' => 'life_safety'] + $hz(['pickup_pct' => 95]),
            ['application' => 'life_safety'] + $hz(['pickup_pct' => 94.9]),
        ];
        yield 'hertz are checked' => [
            'no-emergency-frequency',
            'warn',
            "$E/under_frequency",
            [],
            $set(['sensing' => ['emergency' => ['under_frequency' => null]]]),
        ];
        yield 'left at 70 %' => [
            'emergency-dropout-low',
            'warn',
            "$E/under_voltage/dropout_pct",
            $uv(70, 90, 'emergency'),
            $uv(69.9, 90, 'emergency'),
        ];
        $high = static fn(string $key, int|float $pickup): array => ['application' => 'plug_in'] + $set([
            'sensing' => ['emergency' => [$key => ['dropout_pct' => 115, 'pickup_pct' => $pickup]]],
        ]);
        yield 'a portable set at 130 V' => [
            'rejects-portable',
            'warn',
            "$E/over_voltage/pickup_pct",
            $high('over_voltage', 108),
            $high('over_voltage', 107.9),
        ];
        yield 'a portable set at 62 Hz' => [
            'rejects-portable',
            'warn',
            "$E/over_frequency/pickup_pct",
            $high('over_frequency', 104),
            $high('over_frequency', 103.9),
        ];
        $modules = static fn(int|float $tripPct, int $tripMs): array => [
            'loads' => [$load(1, false)],
            'frequency_shedding' => ['loads' => ['l1'], 'trip_pct' => $tripPct, 'trip_ms' => $tripMs],
        ];
        yield 'modules before the controller' => [
            'frequency-shed-race',
            'warn',
            "$E/under_frequency/dropout_pct",
            $modules(85, 2999),
            $modules(85, 3000),
        ];
        yield 'modules above the controller\'s limit' => [
            'frequency-shed-race',
            'warn',
            "$E/under_frequency/dropout_pct",
            $modules(85.1, 5000),
            $modules(85, 5000),
        ];
        yield 'modules at 98 %' => ['frequency-shed-high', 'warn', '/frequency_shedding/trip_pct', $modules(98, 500), $modules(98.1, 500)];
        yield 'thirty seconds unseen' => [
            'emergency-not-watched',
            'stop',
            "$E/dropout_delay_ms",
            $set(['sensing' => ['emergency' => ['dropout_delay_ms' => 30_000]]]),
            $set(['sensing' => ['emergency' => ['dropout_delay_ms' => 30_001]]]),
        ];
        yield 'a blink of a second' => [
            'blink-starts-engine',
            'warn',
            '/settings/start_delay_ms',
            $set(['start_delay_ms' => 500]),
            $set(['start_delay_ms' => 499]),
        ];
        yield 'a start delay of thirty seconds' => [
            'start-delay-long',
            'warn',
            '/settings/start_delay_ms',
            $set(['start_delay_ms' => 30_000]),
            $set(['start_delay_ms' => 30_001]),
        ];
        yield 'a start delay of three seconds for life safety' => [
            'start-delay-long',
            'warn',
            '/settings/start_delay_ms',
            ['application' => 'life_safety'] + $set(['start_delay_ms' => 3000]),
            ['application' => 'life_safety'] + $set(['start_delay_ms' => 3001]),
        ];
        yield 'a warm-up of a minute' => [
            'warm-up-long',
            'warn',
            '/settings/transfer_delay_ms',
            $set(['transfer_delay_ms' => 60_000]),
            $set(['transfer_delay_ms' => 60_001]),
        ];
        yield 'a return delay of ten seconds' => [
            'takes-the-bait',
            'warn',
            '/settings/return_delay_ms',
            $set(['return_delay_ms' => 10_000]),
            $set(['return_delay_ms' => 9999]),
        ];
        yield 'a plug-in box may be short' => [
            'takes-the-bait',
            'note',
            '/settings/return_delay_ms',
            ['application' => 'plug_in'] + $set(['return_delay_ms' => 10_000]),
            ['application' => 'plug_in'] + $set(['return_delay_ms' => 4000]),
        ];
        yield 'five minutes for a workplace' => [
            'return-delay-short',
            'warn',
            '/settings/return_delay_ms',
            ['application' => 'process'] + $set(['return_delay_ms' => 300_000]),
            ['application' => 'process'] + $set(['return_delay_ms' => 299_999]),
        ];
        yield 'half an hour is enough' => [
            'return-delay-long',
            'note',
            '/settings/return_delay_ms',
            $set(['return_delay_ms' => 1_800_000]),
            $set(['return_delay_ms' => 1_800_001]),
        ];
        yield 'a cool-down of a minute' => [
            'cooldown-short',
            'warn',
            '/settings/cooldown_ms',
            $set(['cooldown_ms' => 60_000]),
            $set(['cooldown_ms' => 59_999]),
        ];
        yield 'a diesel cools for five minutes' => [
            'cooldown-short',
            'warn',
            '/settings/cooldown_ms',
            ['site' => ['fuel' => 'diesel']] + $set(['cooldown_ms' => 300_000]),
            ['site' => ['fuel' => 'diesel']] + $set(['cooldown_ms' => 299_999]),
        ];
        yield 'a motor of 20 hp' => ['residual-voltage', 'warn', '/settings/transition', $motor(19.9), $motor(20)];
        yield 'a process motor of 20 hp' => [
            'residual-voltage',
            'stop',
            '/settings/transition',
            ['application' => 'process'] + $motor(20, ['transition' => 'delayed', 'off_delay_ms' => 2000]),
            ['application' => 'process'] + $motor(20),
        ];
        yield 'half a second in between' => [
            'centre-off-short',
            'warn',
            '/settings/off_delay_ms',
            $motor(1, ['transition' => 'delayed', 'off_delay_ms' => 500]),
            $motor(1, ['transition' => 'delayed', 'off_delay_ms' => 499]),
        ];
        yield 'five seconds in between that serve no load' => [
            'centre-off-no-motor',
            'note',
            '/settings/off_delay_ms',
            $motor(0, ['transition' => 'delayed', 'off_delay_ms' => 5000]),
            $motor(0, ['transition' => 'delayed', 'off_delay_ms' => 5001]),
        ];
        $own = static fn(int $everyMs, int $forMs, bool $withLoad = false, string $fuel = 'lp'): array => [
            'site' => ['exercise' => null, 'fuel' => $fuel, 'load_tests_per_year' => 4],
        ] + $set(['exercise' => ['first_at_ms' => 0, 'every_ms' => $everyMs, 'for_ms' => $forMs, 'with_load' => $withLoad]]);
        yield 'a month by the controller\'s own clock' => [
            'exercise-long-gap', 'warn', '/settings/exercise/every_ms', $own(31 * 86_400_000, 900_000), $own(31 * 86_400_000 + 1, 900_000),
        ];
        yield 'ten minutes by its own clock' => [
            'exercise-short', 'warn', '/settings/exercise/for_ms', $own(604_800_000, 600_000), $own(604_800_000, 599_999),
        ];
        yield 'half an hour of a loaded diesel by its own clock' => [
            'exercise-short', 'warn', '/settings/exercise/for_ms', $own(604_800_000, 1_800_000, true, 'diesel'),
            $own(604_800_000, 1_799_999, true, 'diesel'),
        ];
        yield 'an idle diesel by its own clock' => [
            'exercise-wet-stacking', 'warn', '/settings/exercise/with_load', $own(604_800_001, 1_200_000, false, 'diesel'),
            $own(604_800_000, 1_200_000, false, 'diesel'),
        ];
        yield 'an idle diesel every eight days' => [
            'exercise-wet-stacking', 'warn', '/site/exercise/with_load', $plan(['every' => 8, 'for_min' => 20], ['fuel' => 'diesel']),
            $plan(['every' => 7, 'for_min' => 20], ['fuel' => 'diesel']),
        ];
        yield 'half a horsepower is a motor' => [
            'centre-off-no-motor', 'note', '/settings/off_delay_ms', $motor(0.5, ['transition' => 'delayed', 'off_delay_ms' => 6000]),
            $motor(0, ['transition' => 'delayed', 'off_delay_ms' => 6000]),
        ];
        yield 'half a horsepower has its phases watched' => [
            'single-phasing-unseen', 'stop', "$N/unbalance",
            $threePhase(['largest_motor_hp' => 0] + $set(['sensing' => ['normal' => ['unbalance' => null]]])),
            $threePhase(['largest_motor_hp' => 0.5] + $set(['sensing' => ['normal' => ['unbalance' => null]]])),
        ];
        yield 'a plug-in box may come back low' => [
            'pickup-low-return', 'warn', "$N/under_voltage/pickup_pct", ['application' => 'plug_in'] + $uv(72, 79.9), $uv(72, 79.9),
        ];
        yield 'a switch moves' => ['travel-zero', 'note', '/settings/travel_ms', $set(['travel_ms' => 1]), $set(['travel_ms' => 0])];
        yield 'more than one crank' => [
            'one-crank',
            'warn',
            '/system/engine/crank_attempts',
            ['system' => ['engine' => ['crank_attempts' => 2]]],
            ['system' => ['engine' => ['crank_attempts' => 1]]],
        ];
        yield 'a rest as long as a crank' => [
            'crank-rest-short',
            'warn',
            '/system/engine/crank_rest_ms',
            [],
            ['system' => ['engine' => ['crank_rest_ms' => 9999]]],
        ];
        yield 'no rest is needed after a single crank' => [
            'crank-rest-short',
            'warn',
            '/system/engine/crank_rest_ms',
            ['system' => ['engine' => ['crank_rest_ms' => 0, 'crank_attempts' => 1]]],
            ['system' => ['engine' => ['crank_rest_ms' => 0]]],
        ];
        yield 'a crank limit of twice the crank' => [
            'crank-limit-tight',
            'warn',
            '/system/engine/crank_limit_ms',
            ['system' => ['engine' => ['crank_limit_ms' => 3000]]],
            ['system' => ['engine' => ['crank_limit_ms' => 2999]]],
        ];
        yield 'a shedding limit as large as the source' => [
            'shed-limit-over-source',
            'stop',
            '/settings/load_shed/limit_kw',
            ['source_kw' => 10] + $set($shed()),
            ['source_kw' => 9.99] + $set($shed()),
        ];
        yield 'loads that just fit, by their decimals' => [
            'no-shedding-overload',
            'warn',
            '/settings/load_shed',
            ['source_kw' => 0.3, 'loads' => [$load(0.1, false), $load(0.2, false)]],
            ['source_kw' => 0.29, 'loads' => [$load(0.1, false), $load(0.2, false)]],
        ];
        yield 'something may be shed' => [
            'shed-nothing',
            'warn',
            '/settings/load_shed',
            ['loads' => [$load(1, true)]] + $set($shed()),
            ['loads' => [$load(1, false)]] + $set($shed()),
        ];
        yield 'a demand that just fits' => [
            'no-shedding-overload',
            'stop',
            '/settings/load_shed',
            ['source_kw' => 10, 'demand_kw' => 10, 'loads' => [$load(20, false)]],
            ['source_kw' => 10, 'demand_kw' => 10.1],
        ];
        yield 'what stays of a demand fits the limit' => [
            'unshed-overload',
            'stop',
            '/settings/load_shed/limit_kw',
            ['demand_kw' => 10, 'loads' => [$load(12, false), $load(3, true)]] + $set($shed()),
            ['demand_kw' => 10.1, 'loads' => [$load(12, false), $load(3, true)]] + $set($shed()),
        ];
        yield 'what stays fits the limit' => [
            'unshed-overload',
            'warn',
            '/settings/load_shed/limit_kw',
            ['loads' => [$load(10, false), $load(3, true)]] + $set($shed()),
            ['loads' => [$load(10.1, false), $load(3, true)]] + $set($shed()),
        ];
        yield 'a compressor locked out for three minutes' => [
            'compressor-lockout-short',
            'warn',
            '/settings/load_shed/lockout_ms',
            ['has_compressor' => true] + $set($shed()),
            ['has_compressor' => true] + $set($shed(['lockout_ms' => 179_999, 'first_step_ms' => 0])),
        ];
        yield 'a compressor let on after five seconds' => [
            'compressor-lockout-short',
            'warn',
            '/settings/load_shed/first_step_ms',
            ['has_compressor' => true] + $set($shed()),
            ['has_compressor' => true] + $set($shed(['first_step_ms' => 4999])),
        ];
        yield 'a month between two exercises' => [
            'exercise-long-gap',
            'warn',
            '/site/exercise/every',
            $plan(['every' => 'monthly']),
            $plan(['every' => 32]),
        ];
        yield 'ten minutes of exercise' => [
            'exercise-short',
            'warn',
            '/site/exercise/for_min',
            $plan(['for_min' => 10]),
            $plan(['for_min' => 9]),
        ];
        yield 'a loaded diesel runs for half an hour' => [
            'exercise-short',
            'warn',
            '/site/exercise/for_min',
            $plan(['for_min' => 30, 'with_load' => true], ['fuel' => 'diesel']),
            $plan(['for_min' => 29, 'with_load' => true], ['fuel' => 'diesel']),
        ];
        yield 'a load test is planned' => [
            'exercise-not-a-load-test',
            'warn',
            '/site/exercise/with_load',
            ['site' => ['load_tests_per_year' => 1]],
            ['site' => ['load_tests_per_year' => 0]],
        ];
        yield 'an idle diesel' => [
            'exercise-wet-stacking',
            'warn',
            '/site/exercise/with_load',
            $plan(['for_min' => 19], ['fuel' => 'diesel']),
            $plan(['for_min' => 20], ['fuel' => 'diesel']),
        ];
        yield 'an idle diesel that is load-tested every month' => [
            'exercise-wet-stacking',
            'warn',
            '/site/exercise/with_load',
            $plan(['for_min' => 20], ['fuel' => 'diesel', 'load_tests_per_year' => 12]),
            $plan(['for_min' => 20], ['fuel' => 'diesel', 'load_tests_per_year' => 11]),
        ];
        $quiet = static fn(string $from, string $to, array $days = ['tue']): array => [
            'site' => ['quiet_hours' => [['days' => $days, 'from' => $from, 'to' => $to]]],
        ];
        yield 'quiet until the exercise begins' => [
            'exercise-quiet-hours',
            'warn',
            '/site/exercise/time',
            $quiet('08:00', '11:00'),
            $quiet('08:00', '11:01'),
        ];
        yield 'quiet from the end of the exercise' => [
            'exercise-quiet-hours',
            'warn',
            '/site/exercise/time',
            $quiet('11:15', '12:00'),
            $quiet('11:14', '12:00'),
        ];
        yield 'quiet over midnight from the day before' => [
            'exercise-quiet-hours',
            'warn',
            '/site/exercise/time',
            $quiet('22:00', '11:00', ['mon']),
            $quiet('22:00', '11:30', ['mon']),
        ];
        yield 'quiet all around the clock' => [
            'exercise-quiet-hours',
            'warn',
            '/site/exercise/time',
            $quiet('11:15', '11:15', ['tue']),
            $quiet('11:00', '11:00', ['mon', 'tue']),
        ];
        yield 'every ten days falls on every weekday in turn' => [
            'exercise-quiet-hours',
            'warn',
            '/site/exercise/time',
            MergePatch::apply($quiet('10:00', '12:00', ['sun']), $plan(['every' => 14])),
            MergePatch::apply($quiet('10:00', '12:00', ['sun']), $plan(['every' => 10])),
        ];
        yield 'the week wraps round' => [
            'exercise-quiet-hours',
            'warn',
            '/site/exercise/time',
            MergePatch::apply($quiet('23:00', '02:00', ['sun']), $plan(['day' => 'mon', 'time' => '02:00'])),
            MergePatch::apply($quiet('23:00', '02:00', ['sun']), $plan(['day' => 'mon', 'time' => '01:59'])),
        ];
        yield 'ten seconds of dark for life safety' => [
            'life-safety-ten-seconds', 'stop', '/settings/transfer_delay_ms',
            ['application' => 'life_safety'] + $set([
                'start_delay_ms' => 1000,
                'transfer_delay_ms' => 3300,
                'sensing' => ['emergency' => ['under_frequency' => null]],
            ]),
            ['application' => 'life_safety'] + $set([
                'start_delay_ms' => 1000,
                'transfer_delay_ms' => 3301,
                'sensing' => ['emergency' => ['under_frequency' => null]],
            ]),
        ];
        yield 'a generator that is accepted' => ['never-transfers', 'stop', $E, $uv(90, 100, 'emergency'), $uv(90, 100.1, 'emergency')];
        yield 'a utility that is accepted' => ['never-returns', 'stop', $N, $uv(90, 100), $uv(90, 100.1)];
    }

    #[Test]
    public function a_sheet_with_good_values_has_no_finding(): void
    {
        self::assertSame([], $this->check([]));
    }

    #[Test]
    public function the_exercise_of_the_controller_counts_where_none_is_agreed_on_site_and_has_a_fix(): void
    {
        $in = MergePatch::apply(
            self::GOOD,
            ['settings' => ['exercise' => ['first_at_ms' => 0, 'every_ms' => 2_678_400_001, 'for_ms' => 600_000, 'with_load' => true]]],
        );
        unset($in['site']);
        $findings = (new SettingsCheck())->check((new CheckReader())->input(Node::fromArray($in)))->toArray()['findings'];
        self::assertIsArray($findings);
        self::assertSame(['exercise-long-gap'], array_column($findings, 'id'));
        self::assertSame('/settings/exercise/every_ms', $findings[0]['path']);
        self::assertSame(['exercise' => ['every_ms' => 2_678_400_000]], $findings[0]['fix']);
    }

    /**
     * @param array<string, mixed> $change
     *
     * @return list<array<string, mixed>>
     */
    private function check(array $change): array
    {
        $in = MergePatch::apply(self::GOOD, $change);
        $in['site'] = array_filter($in['site'], static fn(mixed $value): bool => $value !== null); // nothing agreed is nothing said
        $findings = (new SettingsCheck())->check((new CheckReader())->input(Node::fromArray($in)))->toArray()['findings'];
        self::assertIsList($findings);

        return $findings;
    }
}
