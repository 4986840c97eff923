<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Finding;

use Escapement\Core\Device\Register\LiveImage;
use Escapement\Core\Finding\Register;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\SourceFeeder;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Findings that no golden case has, each raised by an input that means it; and that no finding is without a test. */
final class RaisedFindingsTest extends TestCase
{
    /** @param array<string, mixed> $input */
    #[Test, DataProvider('inputs')]
    public function an_input_raises_the_finding_that_it_means(string $calc, string $finding, array $input): void
    {
        $calculations = new Calculations();
        $node = Node::fromArray($input);
        $answer = $calc === 'rehearse' ? $calculations->rehearse($node) : $calculations->calc($calc, $node);
        $ids = array_map(static fn(array $one): string => "{$one['id']} {$one['severity']}", CaseFile::asArray($answer)['findings']);
        self::assertContains($finding, $ids, implode(', ', $ids));
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function inputs(): iterable
    {
        $all = [
            ...self::ofSite(), ...self::ofPower(), ...self::ofDrawings(), ...self::ofLoadTests(), ...self::ofPanels(),
            ...self::ofCircuits(), ...self::ofExercises(), ...self::ofFleets(), ...self::ofDevices(),
        ];
        foreach ($all as [$calc, $finding, $input]) {
            yield $finding => [$calc, $finding, $input];
        }
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofSite(): array
    {
        $survey = static fn(string $finding, string $kind, array $answers, array $more = ['before_photos' => 1]): array => [
            'survey_check', $finding, ['kind' => $kind, 'answers' => (object) $answers] + $more,
        ];
        $sheet = self::golden('settings', 'settings_check');
        unset($sheet['site']['exercise']);
        $scenario = self::golden('timing', '');
        $scenario['events'] = [['at_ms' => 5000, 'do' => 'set_source', 'source' => 'normal', 'v' => 119.12345678]];

        return [
            $survey('sensitive-without-ups warn', 'K1', [], ['loads' => [['id' => 'Router', 'sensitive' => true]]]),
            $survey('no-before-photo note', 'K1', [], []),
            $survey('no-working-space warn', 'K1', ['clearance' => 'no']),
            $survey('siding-to-come note', 'K1', ['wall' => 'open']),
            $survey('nameplate-not-pictured note', 'K1', []),
            $survey('phase-order-reversed stop', 'K7', ['phase_order_second' => 'reversed']),
            $survey('branch-wires-delicate warn', 'K2', ['branch_metal' => 'brittle']),
            $survey('multiwire-circuits note', 'K2', ['multiwire' => 'yes']),
            ['settings_check', 'no-exercise warn', $sheet],
            ['rehearse', 'finer-than-computed note', $scenario],
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofPower(): array
    {
        $bank = ['kw' => 100, 'pf' => 0.8, 'v_ll_v' => 480, 'steps' => [['kvar' => 40]]];
        $meter = ['v_v' => [277, 277, 277], 'i_a' => [100, 100, 100]];
        $of = static fn(array $more): array => $more + $meter;

        return [
            ['shed_plan', 'nothing-to-shed note', ['usable_kw' => 12, 'loads' => [['id' => 'lights', 'kw' => 1]]]],
            ['colours', 'green-not-ground stop', [
                'system' => 'us_split_120_240', 'landings' => [['conductor' => 'L1', 'terminal' => 'L1', 'colour' => 'green']],
            ]],
            ['power_factor_bank', 'leading-on-generator warn', $bank + [
                'generator' => ['rated_kva' => 100, 'kw' => 10, 'pf' => 0.9, 'policy' => 'by_limit', 'leading_limit_pct' => 200],
            ]],
            ['power_factor_bank', 'stage-overvoltage warn', ['steps' => [['kvar' => 40, 'rated_v' => 460]]] + $bank],
            ['power_factor_bank', 'stage-overvoltage stop', ['steps' => [['kvar' => 40, 'rated_v' => 400]]] + $bank],
            ['three_phase_meter', 'ct-undetermined warn', $of(['kw_meter' => [27, -27, 5]])],
            ['three_phase_meter', 'ct-ambiguous warn', $of(['kw_meter' => [-8, -6, 7]])],
            ['three_phase_meter', 'kw-over-kva warn', $of(['kw_meter' => [29, 27, 27]])],
            ['three_phase_meter', 'kw-negative warn', $of(['kw_meter' => [-27, -27, -27]])],
            ['three_phase_meter', 'ct-overrange warn', $of(['ct' => ['primary_a' => 80]])],
            ['three_phase_meter', 'ct-oversized note', $of(['ct' => ['primary_a' => 800]])],
            ['three_phase_meter', 'rotation-undetermined warn', $of(['v_deg' => [0, 0, 0]])],
            ['three_phase_meter', 'v-unbalance-high stop', $of(['v_ll_v' => [480, 480, 400]])],
            ['three_phase_meter', 'neutral-harmonics note', $of(['neutral_a' => 60])],
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofDrawings(): array
    {
        $source = static fn(string $id, string $kind, array $more = []): array => [
            'id' => $id, 'type' => 'source', 'kind' => $kind,
        ] + $more;
        $panel = [
            'id' => 'p', 'type' => 'panel', 'role' => 'sub', 'rating_a' => 100,
            'breakers' => [['id' => 'a', 'rating_a' => 125, 'poles' => 2], ['id' => 'b', 'rating_a' => 30, 'poles' => 2]],
        ];
        $solar = $source('inv', 'inverter', ['grid_interactive' => true]);
        $joined = static fn(string $other): array => [
            'system' => 'split', 'elements' => [$source('s', $other), $solar, $panel],
            'links' => [['from' => 's', 'to' => 'p'], ['from' => 'inv', 'to' => 'p.b']],
        ];
        $circuit = self::golden('topology', 'relay_check', 'motor_changeover');
        $circuit['rungs'] = [
            ['id' => 'r1', 'coil' => 'Q1.I', 'supply' => 'dc', 'when' => ['no' => 'PFM']],
            ['id' => 'r2', 'coil' => 'Q1.II', 'supply' => 'dc', 'when' => ['no' => 'PFG']],
        ];

        return [
            ['topology', 'grid-interactive-parallel note', $joined('utility')],
            ['topology', 'grid-interactive-on-generator warn', $joined('generator')],
            ['topology', 'breaker-over-bus stop', $joined('utility')],
            ['topology', 'inlet-underrated stop', [
                'system' => 'split',
                'elements' => [$source('g', 'generator', ['breaker_a' => 50]), ['id' => 'i', 'type' => 'inlet', 'rating_a' => 30], $panel],
                'links' => [['from' => 'g', 'to' => 'i'], ['from' => 'i', 'to' => 'p']],
            ]],
            ['one_line_layout', 'no-feed note', [
                'system' => 'split', 'elements' => [$panel, ['id' => 'l', 'type' => 'load', 'phases' => ['L1']], $source('g', 'generator')],
                'links' => [['from' => 'p.b', 'to' => 'l']],
            ]],
            ['relay_check', 'conflicting-commands warn', $circuit],
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofLoadTests(): array
    {
        $plan = static fn(string $profile, array $more = []): array => $more + [
            'profile' => $profile, 'nameplate_kw' => 40, 'fuel' => 'diesel',
        ];
        $reading = static fn(int $t, float $v): array => ['t_s' => $t, 'v_v' => [$v], 'a_a' => [50], 'hz' => 60, 'kw' => 5];
        $times = range(0, 19_900, 100);
        $step = [
            't_ms' => $times, 'hz' => array_fill(0, 200, 60), 'steps' => [['t_ms' => 500, 'from_kw' => 0, 'to_kw' => 20]],
            'v_v' => [[...array_fill(0, 5, 120), 100, ...array_fill(0, 4, 140), ...array_fill(0, 190, 120)]],
        ];

        return [
            ['load_test_plan', 'wet-stacking warn', $plan('quarterly_house')],
            ['load_test_plan', 'no-load-for-it warn', $plan('quarterly_house', ['building_kw' => 3])],
            ['load_test_plan', 'cold-start-missing note', $plan('building_acceptance')],
            ['load_test_plan', 'warm-up-in-cold-start warn', $plan('building_acceptance', ['cold_start' => true, 'warmup_min' => 3])],
            ['load_test_plan', 'spark-ignited note', $plan('monthly_building', ['fuel' => 'lp'])],
            ['load_test_plan', 'not-for-this-fuel note', $plan('annual_supplemental', ['fuel' => 'natural_gas'])],
            ['load_test_evaluate', 'drift-voltage warn', [
                'profile' => 'quarterly_house', 'nameplate_kw' => 10, 'fuel' => 'lp', 'phases' => 1,
                'readings' => [$reading(0, 121), $reading(600, 121), $reading(1200, 118)],
            ]],
            ['step_transients', 'overshoot warn', $step],
            ['step_transients', 'before-short note', $step],
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofPanels(): array
    {
        $two = static fn(array $gfp, array $more = []): array => $more + [
            'poles' => 3, 'wording' => 'iec_tn_s', 'load_neutral_a' => 100, 'sources' => [
                ['id' => 't', 'kind' => 'transformer', 'earthed' => true, 'gfp' => $gfp],
                ['id' => 'g', 'kind' => 'generator', 'earthed' => true],
            ],
        ];
        $four = ['poles' => 4];
        $way = ['id' => 'w', 'poles' => 3, 'load_a' => 20, 'breaking_ka' => 25, 'length_m' => 20];
        $board = static fn(array $ways, array $more = []): array => array_replace_recursive([
            'style' => 'iec', 'v_ll_v' => 400, 'utility' => ['transformer_kva' => 400, 'z_pct' => 4], 'generator' => ['kva' => 100],
            'changeover' => ['rating_a' => 400, 'utility_breaker_a' => 400, 'generator_breaker_a' => 160, 'withstand_ka' => 30],
            'busbar' => ['rating_a' => 400, 'icw_ka' => 25],
        ], $more) + ['ways' => array_map(static fn(array $one): array => $one + $way, $ways)];
        $schedule = static fn(string $finding, array $ways, array $more = []): array => [
            'feeder_schedule3', $finding, $board($ways, $more),
        ];

        return [
            ['neutral_earth', 'gfp-nuisance warn', $two(['pickup_a' => 5])],
            ['neutral_earth', 'gfp-blind stop', $two(['pickup_a' => 1200])],
            ['neutral_earth', 'overlap-longer-than-gfp warn', $two(['pickup_a' => 5], $four)],
            ['neutral_earth', 'neutrals-swapped-joined note', $two(['pickup_a' => 5], ['neutrals_swapped' => true])],
            ['neutral_earth', 'neutral-simultaneous note', $two(['pickup_a' => 5], $four + ['neutral_sequence' => 'simultaneous'])],
            ['neutral_earth', 'three-pole-on-tt warn', $two(['pickup_a' => 5], ['wording' => 'iec_tt'])],
            ['neutral_earth', 'pen-not-switched note', $two(['pickup_a' => 5], $four + ['wording' => 'iec_tn_c_s'])],
            ['phase_balance', 'phase-overload stop', ['circuits' => [['id' => 'a', 'connect' => 'L1', 'a' => 80]], 'main_a' => 63]],
            $schedule('no-size stop', [['load_a' => 1900]]),
            $schedule('conductor-fails stop', [['load_a' => 60, 'size' => '1.5']]),
            $schedule('no-disconnection-utility stop', [['length_m' => 900, 'curve' => 'D']]),
            $schedule('thermal-only-on-generator note', [['load_a' => 80, 'curve' => 'D', 'disconnect_s' => 60]]),
            $schedule('adiabatic-fails stop', [['i2t_a2s' => 1e9]]),
            $schedule('busbar-under-load stop', [['load_a' => 200]], ['busbar' => ['rating_a' => 160]]),
            $schedule('busbar-under-breaker stop', [[]], ['busbar' => ['rating_a' => 160]]),
            $schedule('busbar-peak stop', [[]], ['busbar' => ['peak_ka' => 10]]),
            $schedule('changeover-under-load stop', [['load_a' => 200]], ['changeover' => ['rating_a' => 160]]),
            $schedule('incomer-under-load stop', [['load_a' => 200]]),
            $schedule('generator-overload stop', [['load_a' => 200]]),
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofCircuits(): array
    {
        $circuit = self::golden('panel', 'relay_play', 'K2')['circuit'];
        $bare = ['devices' => [], 'rungs' => []] + $circuit;
        foreach ($circuit['devices'] as $device) {
            if (in_array($device['type'], ['contactor', 'phase_relay'], true)) {
                $bare['devices'][] = $device;
            }
        }
        [$first, $second] = array_column($circuit['supplies'], 'id');
        $own = ['id' => 'r', 'coil' => 'K1', 'supply' => $first, 'when' => ['nc' => 'K1']];
        $always = static fn(string $coil, string $supply): array => ['id' => "r$coil", 'coil' => $coil, 'supply' => $supply] + ['when' => [
            'all' => [],
        ]];
        $both = ['rungs' => [$always('K1', $first), $always('K2', $second)]] + $bare;
        $start = [...$bare['devices'], ['id' => 'ST', 'type' => 'start', 'starts' => $second, 'when' => ['all' => []]]];
        $build = static fn(string $finding, array $more, array $panel): array => [
            'terminal_list', $finding, $more + ['circuit' => $panel, 'region' => 'iec_400_230'],
        ];
        $motor = self::golden('panel', 'relay_play', 'motor_changeover')['circuit'];
        foreach ($motor['rungs'] as $i => $rung) {
            $motor['rungs'][$i]['supply'] = $rung['coil'] === 'Q1.I' ? $motor['supplies'][0]['id'] : $rung['supply'];
        }

        return [
            ['relay_play', 'mechanical-interlock-only warn', ['circuit' => $both, 'until_ms' => 1000]],
            ['relay_play', 'never-settles stop', ['circuit' => ['rungs' => [$own]] + $bare, 'until_ms' => 1000]],
            ['relay_play', 'reverse-rotation-fed stop', [
                'circuit' => ['rungs' => [$always('K1', $first)]] + $bare, 'supplies' => [$first => ['rotation' => 'acb']],
                'until_ms' => 5000,
            ]],
            ['relay_play', 'engine-runs-for-nothing warn', [
                'circuit' => ['devices' => $start, 'rungs' => [$always('K1', $first)]] + $bare,
                'supplies' => [$second => ['engine' => new \stdClass()]], 'until_ms' => 20_000,
            ]],
            $build('motor-common-two-supplies stop', [], $motor),
            $build('control-fuse-overloaded stop', ['devices' => ['K1' => ['coil_va' => 1000]], 'control' => ['v_v' => 24]], $both),
            $build('power-size-missing stop', ['power' => ['ocpd_a' => 2500, 'load_a' => 2000]], $both),
            $build('power-size-low stop', ['power' => ['ocpd_a' => 100, 'load_a' => 80, 'size' => '6']], $both),
            $build('dangling-wire warn', [], ['rungs' => [['when' => ['any' => []]] + $always('K1', $first)]] + $bare),
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofDevices(): array
    {
        $lost = ['seq' => 1, 't_ms' => 5000, 'kind' => 'source_lost', 'source' => 'normal'];
        $back = ['seq' => 2, 't_ms' => 4000, 'kind' => 'source_returned', 'source' => 'normal'];
        $marks = static fn(string $finding, array $log, array $stopwatch): array => [
            'log_to_marks', $finding, ['log' => $log, 'stopwatch' => $stopwatch],
        ];
        $poll = static fn(int $tMs, int $kw): array => ['t_ms' => $tMs, 'v_v' => [120], 'a_a' => [1], 'hz' => 60, 'kw' => $kw];
        $readings = static fn(string $finding, array $polls): array => ['log_to_readings', $finding, ['polls' => $polls, 'step_kw' => 1]];

        $power = ['kw' => 0, 'kvar' => 0, 'pf' => null, 'a' => null];
        $unknown = array_fill_keys([
            'v_normal', 'v_emergency', 'v_bus', 'v_generator', 'hz_normal', 'hz_emergency', 'hz_bus', 'hz_generator', 'meter_kw', 'oil_kpa',
            'oil_c', 'coolant_c', 'exhaust_c', 'battery_v', 'fuel_pct', 'run_h', 'starts', 't_ms', 'engine', 'start_contact', 'selector',
        ], null);
        $moment = [
            'position' => 'off', 'moving' => false, 'test' => 'none', 'bus' => $power, 'generator' => null, 'alarms' => [],
            'lamps' => array_fill_keys(LiveImage::LAMPS, false),
        ];

        return [
            ['register_image', 'clamped warn', ['mode' => 'live_encode', 'sample' => ['battery_v' => 700] + $moment + $unknown]],
            $marks('clock-back stop', [$lost, $back], []),
            $marks('no-common-mark warn', [$lost], [['event' => 'transferred', 'at_ms' => 1]]),
            $marks('mark-far warn', [$lost, ['t_ms' => 60_000] + $back], [
                ['event' => 'utility_off', 'at_ms' => 5000], ['event' => 'utility_on', 'at_ms' => 90_000],
            ]),
            $readings('poll-gap warn', [$poll(0, 0), $poll(200, 0), $poll(400, 0), $poll(9000, 0)]),
            $readings('steps-overlap note', [$poll(0, 0), $poll(200, 5), $poll(400, 5), $poll(600, 9)]),
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofFleets(): array
    {
        $storm = static fn(string $finding, array $facts): array => [
            'storm_readiness', $finding, ['today' => '2026-08-01', 'sites' => [['id' => 'a'] + $facts]],
        ];
        $book = static fn(string $finding, array $entries): array => ['logbook_summary', $finding, [
            'from' => '2026-06-01T00:00:00Z', 'to' => '2026-06-20T00:00:00Z', 'source' => ['fuel' => 'diesel', 'rated_kw' => 20],
            'entries' => array_map(
                static fn(array $entry, int $i): array => $entry + ['at' => sprintf('2026-06-%02dT08:00:00Z', $i + 1)],
                $entries,
                array_keys($entries),
            ),
        ]];
        $level = static fn(int $litres): array => ['kind' => 'fuel_level', 'amount' => $litres];
        $test = ['kind' => 'test', 'run_min' => 600, 'kw' => 20];
        $nights = ['days' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], 'from' => '00:00', 'to' => '00:00'];
        $asleep = static fn(string $finding): array => ['exercise_clashes', $finding, [
            'from' => '2026-06-01', 'to' => '2026-06-07', 'switches' => [[
                'id' => 'a', 'zone' => 'UTC', 'sleep_hours' => [$nights],
                'exercise' => ['every' => 'daily', 'time' => '02:30', 'for_min' => 20],
            ]],
        ]];
        $visit = ['lat' => 0, 'lon' => 0, 'duration_min' => 60];
        $who = ['id' => 'ann', 'lat' => 0, 'lon' => 1];
        $visits = array_map(static fn(int $i): array => ['id' => "v$i"] + $visit, range(0, 8));

        return [
            $storm('load-test-failed stop', ['load_test' => ['date' => '2026-07-01', 'result' => 'fail']]),
            $storm('load-test-overdue warn', ['load_test' => ['date' => '2025-07-01', 'result' => 'pass']]),
            $book('hours-overclaimed warn', [['kind' => 'hours', 'hours' => 10], $test, ['kind' => 'hours', 'hours' => 11]]),
            $book('fuel-record-wrong warn', [$level(50), $test, $level(90)]),
            $book('fuel-low note', [$level(50), $test, $level(49)]),
            $asleep('in-sleep-hours warn'),
            $asleep('no-free-slot warn'),
            $asleep('no-common-shift note'),
            ['visit_plan', 'lock-impossible warn', [
                'start' => '2026-06-06', 'technicians' => [$who], // a Saturday
                'visits' => [['id' => 'a', 'lock' => ['technician' => 'ann', 'date' => '2026-06-06']] + $visit],
            ]],
            ['visit_plan', 'not-proven-optimal note', ['start' => '2026-06-01', 'technicians' => [$who], 'visits' => $visits]],
        ];
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private static function ofExercises(): array
    {
        $at = static fn(string $finding, array $exercise, string $zone = 'UTC'): array => ['exercise_calendar', $finding, [
            'from' => '2026-01-01', 'to' => '2026-12-31',
            'switches' => [['id' => 'a', 'zone' => $zone, 'exercise' => $exercise + ['time' => '02:30', 'for_min' => 20]]],
        ]];
        $monthly = ['every' => 'monthly', 'day_of_month' => 31];
        $due = static fn(array $more): array => $more + ['today' => '2026-05-01', 'installed' => '2024-01-01'];
        $all = [['from' => '2025-01-01', 'to' => '2027-12-31']];
        $spring = [['from' => '2026-03-05', 'to' => '2026-05-20']];

        return [
            ['service_due', 'service-overdue warn', $due(['items' => [['id' => 'oil', 'months' => 12]], 'history' => [
                ['item' => 'oil', 'date' => '2024-05-01'],
            ]])],
            ['service_due', 'meter-impossible warn', $due(['readings' => [
                ['date' => '2026-04-01', 'hours' => 0], ['date' => '2026-04-02', 'hours' => 50],
            ]])],
            $at('no-occurrence warn', ['every' => 'daily', 'pauses' => $all]),
            $at('long-gap warn', ['every' => 'daily', 'pauses' => $spring]),
            $at('dst-gap warn', ['every' => 'daily'], 'America/New_York'),
            $at('dst-overlap note', ['every' => 'daily', 'time' => '01:30'], 'America/New_York'),
            $at('clock-not-dst note', ['every' => 'daily', 'clock' => 'standard'], 'Australia/Sydney'),
            $at('day-clamped note', $monthly),
            $at('exercise-moved note', $monthly + ['skip' => ['2026-01-31'], 'skip_rule' => 'next']),
            $at('exercise-dropped note', $monthly + ['skip' => ['2026-01-31']]),
        ];
    }

    #[Test]
    public function a_feeder_behind_a_larger_breaker_is_told(): void
    {
        self::assertSame('source-feeder-breaker-differs', SourceFeeder::judge(80, 60, 90, 100)?->id);
        self::assertNull(SourceFeeder::judge(100, 100, 90, 100));
    }

    /** Those of the app alone are raised there. */
    #[Test]
    public function no_finding_is_without_a_test(): void
    {
        $texts = '';
        foreach (self::testFiles() as $file) {
            $texts .= (string) file_get_contents($file);
        }
        $without = [];
        foreach (Register::all() as $key => $entry) {
            if (preg_match('~["\'/ ]' . preg_quote($entry->id, '~') . '["\' ]~', $texts) !== 1) {
                $without[] = $key;
            }
        }
        self::assertSame([], $without);
    }

    /** @return iterable<string> */
    private static function testFiles(): iterable
    {
        foreach ([dirname(__DIR__), dirname(__DIR__, 3) . '/tests'] as $folder) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
                if ($file instanceof \SplFileInfo && in_array($file->getExtension(), ['php', 'json', 'js'], true)) {
                    yield $file->getPathname();
                }
            }
        }
    }

    /** @return array<string, mixed> the input of the first good case of that calculation */
    private static function golden(string $chapter, string $calc, string $names = ''): array
    {
        foreach (CaseFile::read($chapter) as [$case]) {
            $isOf = ($calc === '' || $case->calc === $calc) && ! isset($case->expect->error);
            if ($isOf && ($names === '' || str_contains((string) json_encode($case->input), $names))) {
                return CaseFile::asArray($case->input);
            }
        }
        self::fail("No case of $calc.");
    }
}
