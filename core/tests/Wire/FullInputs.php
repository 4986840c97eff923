<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\Node;
use Escapement\Core\Tests\StandardPanels;

/** Inputs in which every part stands that may be left out: what the cases of the rules do not need, a reader reads all the same. */
final class FullInputs
{
    private const PAIR = ['dropout_pct' => 80, 'pickup_pct' => 90];
    private const OVER = ['dropout_pct' => 115, 'pickup_pct' => 110];
    private const SENSING = [
        'under_voltage' => self::PAIR, 'over_voltage' => self::OVER, 'under_frequency' => self::PAIR, 'over_frequency' => self::OVER,
        'unbalance' => ['dropout_pct' => 20, 'pickup_pct' => 15], 'rotation_check' => true, 'dropout_delay_ms' => 500,
    ];
    private const SETTINGS = [
        'sensing' => ['normal' => self::SENSING, 'emergency' => self::SENSING],
        'start_delay_ms' => 5000, 'transfer_delay_ms' => 2000, 'return_delay_ms' => 60_000, 'cooldown_ms' => 60_000, 'min_run_ms' => 1000,
        'transition' => 'delayed', 'travel_ms' => 100, 'off_delay_ms' => 1000, 'commit_to_transfer' => true,
        'exercise' => ['first_at_ms' => 1000, 'every_ms' => 604_800_000, 'for_ms' => 1_200_000, 'with_load' => true],
        'load_shed' => ['limit_kw' => 10, 'first_step_ms' => 1000, 'step_ms' => 1000, 'overload_ms' => 500, 'lockout_ms' => 60_000],
    ];
    private const SOURCE = ['phases' => 3, 'nominal_v' => 120, 'nominal_hz' => 60, 'rotation' => 'abc'];
    private const SYSTEM = [
        'kind' => 'standby', 'sources' => ['normal' => self::SOURCE, 'emergency' => self::SOURCE],
        'engine' => [
            'crank_ms' => 1500, 'crank_limit_ms' => 10_000, 'crank_rest_ms' => 10_000, 'crank_attempts' => 3, 'run_up_ms' => 4000,
            'stop_ms' => 5000,
        ],
    ];
    private const LOADS = [['id' => 'pump', 'kw' => 2, 'priority' => 1, 'shed' => true, 'compressor' => true]];
    private const EVENTS = [
        ['at_ms' => 0, 'do' => 'set_source', 'source' => 'normal', 'v' => [120, 120, 120], 'hz' => 60, 'rotation' => 'abc'],
        ['at_ms' => 1, 'do' => 'ramp_source', 'source' => 'normal', 'v' => 0, 'over_ms' => 10],
        ['at_ms' => 2, 'do' => 'crank_failures', 'count' => 1],
        ['at_ms' => 3, 'do' => 'test_start', 'with_load' => true, 'for_ms' => 1000],
        ['at_ms' => 4, 'do' => 'test_stop'],
        ['at_ms' => 5, 'do' => 'engine_trip', 'reason' => 'low oil'],
        ['at_ms' => 6, 'do' => 'selector', 'to' => 'auto'],
        ['at_ms' => 7, 'do' => 'set_load', 'load' => 'pump', 'kw' => 3],
    ];
    private const BONDING = [
        'phases' => 2,
        'elements' => [
            ['id' => 'util', 'type' => 'source', 'kind' => 'utility'],
            ['id' => 'sd', 'type' => 'disconnect', 'from' => 'util', 'service' => true, 'bond' => true, 'electrode' => true],
            ['id' => 'ats', 'type' => 'switch', 'neutral' => 'solid', 'normal_from' => 'sd', 'emergency_from' => 'gen'],
            ['id' => 'gen', 'type' => 'source', 'kind' => 'generator'],
            ['id' => 'panel', 'type' => 'panel', 'from' => 'ats'],
            ['id' => 'load', 'type' => 'load', 'from' => 'panel'],
        ],
    ];
    private const INSTALL = [
        'torque_unit' => 'in_lb', 'work_date' => '2026-05-01', 'calibrated_on' => '2026-01-01', 'bonds_unknown' => 'the generator bond',
        'feeders' => [['name' => 'service', 'words' => '4/0 aluminum', 'asked' => 'As planned?', 'stops' => ['Too small.']]],
        'enclosures' => [[
            'id' => 'ats', 'name' => 'Transfer switch', 'colour_system' => 'us_split_120_240', 'bonding_point' => true,
            'lines' => [[
                'conductor' => 'L1', 'terminal' => 'N1', 'on' => 'L1', 'feeder' => 'service', 'size' => '4/0', 'colour' => 'black',
                'reid' => 'black', 'screw' => 'hex_socket', 'socket_in' => '1/4', 'maker' => ['value' => 250, 'unit' => 'in_lb'],
            ]],
            'stops' => ['A lug is missing.'],
        ]],
    ];
    private const SUPPLY = ['nominal_v' => 230, 'v' => [230, 230, 230], 'rotation' => 'abc'];
    private const RELAY_TIMES = [
        'across' => 'L1N', 'pick_pct' => 85, 'hold_pct' => 60, 'pick_ms' => 20, 'drop_ms' => 15, 'travel_ms' => 5,
    ];
    private const ANSWERS = ['upstream' => 'utility', 'inspection' => 'yes'];

    /** @return array<string, list<\stdClass>> by the name of the schema */
    public static function all(): array
    {
        $all = [
            'rehearse' => [
                ['system' => self::SYSTEM, 'settings' => self::SETTINGS, 'loads' => self::LOADS, 'events' => self::EVENTS, 'until_ms' => 9],
            ],
            'settings_check' => [self::checked()],
            'settings_diff' => [['from' => self::SETTINGS, 'to' => self::SETTINGS]],
            'timing_verdict' => [['system' => self::SYSTEM, 'settings' => self::SETTINGS, 'marks' => []]],
            'run_verdict' => [[
                'system' => self::SYSTEM, 'settings' => self::SETTINGS, 'reaction_ms' => 500,
                'marks' => [['event' => 'utility_off', 'at_ms' => 0, 'id' => 'm1', 'undone' => false]],
            ]],
            'procedure' => self::procedures(),
            'outage_test_point' => [['surveyed' => ['device' => 'sd', 'label' => 'Service disconnect'], 'names' => ['sd' => 'Disconnect']]],
            'power_down' => [self::powerDown()],
            'survey_check' => [self::survey()],
            'standing' => [self::standing()],
            'device-profile' => [self::profile()],
            'relay_play' => [self::played('a'), self::played('b')],
        ];

        return array_map(static fn(array $inputs): array => array_map(
            static fn(array $input): \stdClass => (object) Node::fromArray($input)->value,
            $inputs,
        ), $all);
    }

    /** @return array<string, mixed> */
    private static function checked(): array
    {
        return [
            'system' => self::SYSTEM, 'settings' => self::SETTINGS, 'application' => 'residential', 'loads' => self::LOADS,
            'source_kw' => 20, 'demand_kw' => 10, 'largest_motor_hp' => 5, 'has_compressor' => true,
            'frequency_shedding' => ['loads' => ['pump'], 'trip_pct' => 97, 'trip_ms' => 500],
            'site' => [
                'timezone' => 'America/Chicago', 'load_tests_per_year' => 1, 'fuel' => 'diesel',
                'quiet_hours' => [['days' => ['mon'], 'from' => '22:00', 'to' => '07:00']],
                'exercise' => ['day' => 'mon', 'time' => '10:00', 'every' => 7, 'for_min' => 20, 'with_load' => true],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function procedures(): array
    {
        $site = ['kind' => 'K8', 'system' => self::SYSTEM, 'settings' => self::SETTINGS];
        $circuit = array_diff_key(self::played('b'), ['script' => 0, 'until_ms' => 0]);

        return [
            $site + [
                'names' => ['sd' => 'Service disconnect'], 'answered' => ['dead_checks/open' => 'It is open.'], 'edition' => 3,
                'options' => ['service' => ['engine' => true, 'enclosure' => true, 'items' => ['oil']], 'must_run' => ['pump']],
                'surveyed' => ['device' => 'sd', 'label' => 'Service disconnect'],
                'isolation' => ['upstream' => 'utility', 'second' => 'owner', 'inspection' => 'yes'],
                'bond_places' => ['sub_panels' => [['id' => 'sub', 'name' => 'Garage']], 'bond_place' => 'service disconnect'],
            ],
            $site + ['install' => self::INSTALL + ['bonding' => self::BONDING]],
            $site + ['install' => self::INSTALL + ['actions' => [['action' => 'remove-bond', 'at' => 'gen', 'to' => 'sd']]]],
            ['kind' => 'K9', 'panel' => $circuit + ['region' => 'iec_400_230', 'stops' => ['It does not prove.']]] + $site,
        ];
    }

    /** @return array<string, mixed> */
    private static function played(string $key): array
    {
        $parts = StandardPanels::parts($key);
        $supplies = get_object_vars($parts['supplies']);
        $times = [];
        foreach ($parts['circuit']['devices'] as $device) {
            $times[$device['id']] = match ($device['type']) {
                'contactor', 'relay' => self::RELAY_TIMES,
                'timer' => ['deviation_pct' => 10],
                'phase_relay' => ['under_pct' => 85],
                default => [],
            };
        }

        return [
            'circuit' => $parts['circuit'],
            'supplies' => (object) array_map(
                static fn(mixed $has): array => (array) $has + (isset(((array) $has)['engine']) ? ['nominal_v' => 230] : self::SUPPLY),
                $supplies,
            ),
            'times' => (object) array_filter($times),
            'script' => [],
            'until_ms' => 1,
        ];
    }

    /** @return array<string, mixed> */
    private static function powerDown(): array
    {
        $task = ['name' => 'Land the feeder', 'who' => ['ann'], 'minutes' => 30, 'dark' => true];

        return [
            'promised_min' => 120, 'hot_day' => true, 'open' => ['who' => ['ann'], 'minutes' => 10],
            'close' => ['who' => ['ann'], 'minutes' => 10],
            'tasks' => [['id' => 'first', 'after' => []] + $task, ['id' => 'second', 'after' => ['first']] + $task],
        ];
    }

    /** @return array<string, mixed> */
    private static function profile(): array
    {
        $word = ['table' => 'holding', 'type' => 'u16', 'order' => 'high', 'scale' => 0.1, 'offset' => 0.0, 'meaning' => 'by its maker'];

        return [
            'format' => 'escapement/device-profile/1', 'name' => 'A meter',
            'rows' => [
                ['quantity' => 'hz', 'address' => 10, 'unit' => 'Hz'] + $word,
                ['quantity' => 'on_normal', 'address' => 11, 'bit' => 3, 'table' => 'holding', 'type' => 'bit'],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function survey(): array
    {
        return [
            'kind' => 'K1', 'answers' => self::ANSWERS, 'before_photos' => 3, 'shown' => ['utility-opens'],
            'loads' => [['id' => 'pump', 'sensitive' => true, 'ups' => false]],
        ];
    }

    /** @return array<string, mixed> */
    private static function standing(): array
    {
        return [
            'installation' => 'K1', 'plant' => 'standby', 'return_delay' => true, 'bait' => true, 'load_test' => true,
            'records' => [[
                'part' => 'times', 'outcome' => 'proved', 'at' => '2026-05-01T10:00:00Z', 'run' => '1', 'by' => 'Rosa', 'why' => ['seen'],
                'basis' => ['sheet' => '1'], 'edition' => 2,
            ]],
            'facts' => ['sheet' => '1'],
        ];
    }
}
