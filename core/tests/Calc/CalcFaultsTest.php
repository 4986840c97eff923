<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Calc;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** One fault in an otherwise good input; the pointer names it. Rules: loads §0.1 and each section, wiring §1, topology §0. */
final class CalcFaultsTest extends TestCase
{
    private const LOAD = ['id' => 'a', 'kw' => 1];
    private const SOURCES = [['id' => 'u', 'type' => 'source', 'kind' => 'utility'], ['id' => 'l', 'type' => 'load', 'phases' => ['L1']]];
    private const LINK = [['from' => 'u', 'to' => 'l']];
    private const TREE = [['id' => 'u', 'type' => 'source', 'kind' => 'utility'], ['id' => 'p', 'type' => 'panel', 'from' => 'u']];

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('faults')]
    public function the_pointer_names_the_fault(string $calc, array $input, string $path): void
    {
        try {
            (new Calculations())->calc($calc, Node::fromArray((object) $input));
            self::fail("$calc takes a fault at $path.");
        } catch (BadInput $e) {
            self::assertSame($path, $e->path, $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $generator = ['fuel' => 'lp', 'ratings_kw' => ['lp' => 18]];
        $motor = ['phases' => 1, 'v_v' => 240, 'lra_a' => 60];
        $source = ['kind' => 'generator', 'rated_kva' => 20];
        $drawing = ['system' => 'split', 'elements' => self::SOURCES, 'links' => self::LINK];
        $switch = ['id' => 's', 'type' => 'switch', 'kind' => 'motor', 'poles' => 2, 'neutral' => 'solid', 'rating_a' => 200];
        $panel = ['id' => 'p', 'type' => 'panel', 'role' => 'main', 'rating_a' => 100, 'breakers' => [['id' => 'b', 'rating_a' => 20]]];
        $with = static fn(array ...$more): array => ['elements' => [...self::SOURCES, ...array_values($more)]] + $drawing;
        $tree = static fn(array ...$more): array => ['phases' => 2, 'elements' => [...self::TREE, ...array_values($more)]];
        $end = ['who' => ['Ana'], 'minutes' => 5];
        $task = ['id' => 'a', 'name' => 'Land', 'who' => ['Ana'], 'minutes' => 5];
        $point = ['id' => 'x', 'conductor_size' => '6', 'screw' => 'slotted_large'];
        $split = [
            'service_ocpd_a' => 400,
            'switch' => ['rating_a' => 400, 'service_rated' => true],
            'conductor' => ['material' => 'al', 'size' => '4/0'],
            'line' => [
                ['id' => '1', 'leg' => 'A', 'lug' => 'L1', 'length_ft' => 10],
                ['id' => '2', 'leg' => 'B', 'lug' => 'L2', 'length_ft' => 10],
                ['id' => '3', 'leg' => 'N', 'lug' => 'N', 'length_ft' => 10],
            ],
            'panels' => [[
                'id' => 'p',
                'rating_a' => 200,
                'feeder' => ['material' => 'al', 'size' => '4/0', 'length_ft' => 20],
                'leg_a_lug' => 'L1',
                'leg_b_lug' => 'L2',
            ]],
        ];
        foreach ([
            'demand' => [
                'nothing at all' => [[], ''],
                'a section that is absent' => [['measured' => ['peak_kw' => 1], 'prefer' => 'schedule'], '/prefer'],
                'two peaks' => [['measured' => ['peak_kw' => 1, 'peak_a' => 2]], '/measured'],
                'no peak' => [['measured' => []], '/measured'],
                'a leg that is not there' => [['schedule' => ['loads' => [self::LOAD + ['connect' => 'L3']]]], '/schedule/loads/0/connect'],
                'a load twice' => [['schedule' => ['loads' => [self::LOAD, self::LOAD]]], '/schedule/loads/1/id'],
                'an unknown key deep down' => [['calculated' => ['hvac' => ['x' => 1]]], '/calculated/hvac/x'],
                'a power factor of nothing' => [['measured' => ['peak_kw' => 1, 'pf' => 0]], '/measured/pf'],
                'true for a number' => [['measured' => ['peak_kw' => true]], '/measured/peak_kw'],
                'null for a number' => [['measured' => ['peak_kw' => null]], '/measured/peak_kw'],
                'half a day' => [['measured' => ['peak_kw' => 1, 'period_days' => 1.5]], '/measured/period_days'],
            ],
            'source_rating' => [
                'no kind' => [['generator' => $generator], '/kind'],
                'no generator' => [['kind' => 'generator'], '/generator'],
                'both' => [['kind' => 'generator', 'generator' => $generator, 'inverter' => []], '/inverter'],
                'no ratings' => [['kind' => 'generator', 'generator' => ['ratings_kw' => []] + $generator], '/generator/ratings_kw'],
                'diesel from lp' => [['kind' => 'generator', 'generator' => ['fuel' => 'diesel'] + $generator], '/generator/ratings_kw'],
                'a surge below the rest' => [
                    ['kind' => 'inverter', 'inverter' => ['continuous_kw' => 3, 'surge_kw' => 2, 'battery_kwh' => 3]],
                    '/inverter/surge_kw',
                ],
                'legs of one leg' => [
                    [
                        'kind' => 'inverter',
                        'inverter' => ['continuous_kw' => 3, 'battery_kwh' => 3, 'output' => 'single_120', 'leg_kw' => 1],
                    ],
                    '/inverter/leg_kw',
                ],
            ],
            'sizing' => [
                'managed and must run' => [
                    ['usable_kw' => 5, 'loads' => [self::LOAD, ['id' => 'b', 'kw' => 1, 'managed' => true, 'must_run' => true]]],
                    '/loads/1/managed',
                ],
                'no loads' => [['usable_kw' => 5, 'loads' => []], '/loads'],
            ],
            'motor_start' => [
                'two phases' => [['motor' => ['phases' => 2] + $motor, 'source' => $source], '/motor/phases'],
                'no start at all' => [['motor' => ['phases' => 1, 'v_v' => 240], 'source' => $source], '/motor'],
                'letter I' => [['motor' => $motor + ['code' => 'I', 'hp' => 5], 'source' => $source], '/motor/code'],
                'star-delta on one phase' => [['motor' => $motor + ['method' => 'star_delta'], 'source' => $source], '/motor/method'],
                'a drive without full-load amps' => [
                    ['motor' => ['phases' => 3, 'method' => 'vfd'] + $motor, 'source' => $source],
                    '/motor/fla_a',
                ],
                'half a point' => [['motor' => $motor, 'source' => $source + ['maker_kva' => 40]], '/source/maker_dip_pct'],
                'a key of the other kind' => [
                    ['motor' => $motor, 'source' => ['kind' => 'inverter', 'surge_kva' => 9, 'x_pu' => 0.2]],
                    '/source/x_pu',
                ],
            ],
            'step_sequence' => [
                'no step at all' => [['usable_kw' => 5, 'k_kva' => 50, 'step_s' => 0, 'loads' => []], '/step_s'],
                'priority 0' => [['usable_kw' => 5, 'k_kva' => 50, 'loads' => [self::LOAD + ['priority' => 0]]], '/loads/0/priority'],
            ],
            'shed_plan' => [
                'one limit for two legs' => [['usable_kw' => 5, 'leg_limit_a' => [50], 'loads' => []], '/leg_limit_a'],
                'weight 0' => [['usable_kw' => 5, 'loads' => [self::LOAD + ['weight' => 0]]], '/loads/0/weight'],
            ],
            'battery_runtime' => [
                'an unknown chemistry' => [['battery_kwh' => 2, 'chemistry' => 'salt', 'loads' => []], '/chemistry'],
                'an extra below nothing' => [['battery_kwh' => 2, 'loads' => [], 'extra_kwh' => [1, -1]], '/extra_kwh/1'],
            ],
            'single_leg_jumper' => [
                'three legs' => [
                    [
                        'alternate_ever_240' => false,
                        'inverter_kw' => 3,
                        'inverter_a' => 30,
                        'feeder_neutral_a' => 40,
                        'loads' => [self::LOAD + ['connect' => '3P']],
                    ],
                    '/loads/0/connect',
                ],
                'not said' => [['inverter_kw' => 3, 'inverter_a' => 30, 'feeder_neutral_a' => 40], '/alternate_ever_240'],
            ],
            'fuel' => [
                'a table without unit' => [
                    [
                        'fuel' => 'diesel',
                        'rated_kw' => 20,
                        'load_kw' => 5,
                        'table' => [['load_pct' => 0, 'rate' => 1], ['load_pct' => 100, 'rate' => 5]],
                    ],
                    '/table_unit',
                ],
                'a table that does not rise' => [
                    [
                        'fuel' => 'diesel',
                        'rated_kw' => 20,
                        'load_kw' => 5,
                        'table_unit' => 'l_h',
                        'table' => [['load_pct' => 50, 'rate' => 1], ['load_pct' => 50, 'rate' => 5]],
                    ],
                    '/table/1/load_pct',
                ],
                'gas in gallons' => [
                    [
                        'fuel' => 'natural_gas',
                        'rated_kw' => 20,
                        'load_kw' => 5,
                        'table_unit' => 'gal_h',
                        'table' => [['load_pct' => 0, 'rate' => 1], ['load_pct' => 100, 'rate' => 5]],
                    ],
                    '/table_unit',
                ],
                'a tank of the gas main' => [
                    ['fuel' => 'natural_gas', 'rated_kw' => 20, 'load_kw' => 5, 'tank' => ['capacity_gal' => 5]],
                    '/tank',
                ],
                'vapour of diesel' => [['fuel' => 'diesel', 'rated_kw' => 20, 'load_kw' => 5, 'vapour' => ['temp_c' => 5]], '/vapour'],
                'a tank nobody knows' => [
                    ['fuel' => 'lp', 'rated_kw' => 20, 'load_kw' => 5, 'vapour' => ['temp_c' => 5, 'tank_gal' => 400]],
                    '/vapour/tank_gal',
                ],
                'no tank' => [['fuel' => 'lp', 'rated_kw' => 20, 'load_kw' => 5, 'vapour' => ['temp_c' => 5]], '/vapour'],
                'heat of diesel by the foot' => [
                    ['fuel' => 'diesel', 'rated_kw' => 20, 'load_kw' => 5, 'btu_per_ft3' => 1],
                    '/btu_per_ft3',
                ],
            ],
            'conductor' => [
                'no load' => [['material' => 'cu'], '/continuous_a'],
                '14 aluminium' => [['material' => 'al', 'continuous_a' => 5, 'size' => '14'], '/size'],
                'a key of the other system' => [['material' => 'cu', 'continuous_a' => 5, 'grouping' => 'bunched'], '/grouping'],
                '80 degrees' => [['material' => 'cu', 'continuous_a' => 5, 'insulation_c' => 80], '/insulation_c'],
                'small metric aluminium' => [['system' => 'iec', 'material' => 'al', 'continuous_a' => 5, 'size' => '10'], '/size'],
            ],
            'voltage_drop' => [
                'no length' => [
                    ['circuit' => 'single_phase', 'material' => 'cu', 'size' => '6', 'v' => 240, 'current_a' => 30],
                    '/length_ft',
                ],
                'the K factor in mm²' => [
                    [
                        'system' => 'iec',
                        'circuit' => 'single_phase',
                        'method' => 'k_factor',
                        'material' => 'cu',
                        'size' => '6',
                        'v' => 240,
                        'current_a' => 30,
                        'length_m' => 9,
                    ],
                    '/method',
                ],
                'legs without load' => [
                    [
                        'circuit' => 'split_phase',
                        'material' => 'cu',
                        'size' => '6',
                        'v' => 240,
                        'leg1_a' => 0,
                        'leg2_a' => 0,
                        'length_m' => 9,
                    ],
                    '/leg1_a',
                ],
                'current of a split phase' => [
                    [
                        'circuit' => 'split_phase',
                        'material' => 'cu',
                        'size' => '6',
                        'v' => 240,
                        'leg1_a' => 1,
                        'leg2_a' => 0,
                        'current_a' => 3,
                        'length_m' => 9,
                    ],
                    '/current_a',
                ],
                'a power factor without impedance' => [
                    [
                        'circuit' => 'single_phase',
                        'material' => 'cu',
                        'size' => '6',
                        'v' => 240,
                        'current_a' => 30,
                        'length_m' => 9,
                        'pf' => 0.9,
                    ],
                    '/pf',
                ],
            ],
            'grounding' => [
                'nothing' => [[], ''],
                'half of the sizes' => [['egc' => ['ocpd_a' => 100, 'material' => 'cu', 'min_size' => '6']], '/egc/installed_size'],
                'three sets in two raceways' => [
                    [
                        'bonding_jumper' => [
                            'ungrounded_material' => 'cu',
                            'ungrounded_size' => '3/0',
                            'material' => 'cu',
                            'sets' => 3,
                            'raceways' => 2,
                        ],
                    ],
                    '/bonding_jumper/raceways',
                ],
            ],
            'raceway_fill' => [
                'a size that is not listed' => [
                    [
                        'raceway' => ['type' => 'emt', 'trade_size' => '1'],
                        'items' => [['kind' => 'xhhw2_compact', 'size' => '14', 'qty' => 1]],
                    ],
                    '/items/0/size',
                ],
                'a cable with a size' => [
                    [
                        'raceway' => ['type' => 'emt', 'trade_size' => '1'],
                        'items' => [['kind' => 'cable', 'od_in' => 1, 'size' => '6', 'qty' => 1]],
                    ],
                    '/items/0/size',
                ],
            ],
            'pull_box' => [
                'an unknown raceway' => [
                    [
                        'mode' => 'raceways',
                        'box' => ['w_in' => 8, 'h_in' => 8, 'd_in' => 4],
                        'raceways' => [['id' => 'a', 'wall' => 'left', 'trade_size' => '2']],
                        'pulls' => [['from' => 'a', 'to' => 'z', 'largest_size' => '4']],
                    ],
                    '/pulls/0/to',
                ],
                'both on the back' => [
                    [
                        'mode' => 'raceways',
                        'box' => ['w_in' => 8, 'h_in' => 8, 'd_in' => 4],
                        'raceways' => [
                            ['id' => 'a', 'wall' => 'back', 'trade_size' => '2'],
                            ['id' => 'b', 'wall' => 'back', 'trade_size' => '2'],
                        ],
                        'pulls' => [['from' => 'a', 'to' => 'b', 'largest_size' => '4']],
                    ],
                    '/pulls/0/to',
                ],
                'no volume' => [['mode' => 'volume', 'conductors' => [['size' => '12', 'qty' => 1]]], '/box_volume_in3'],
            ],
            'torque' => [
                'no such day' => [['work_date' => '2026-02-30', 'points' => [$point]], '/work_date'],
                'calibrated tomorrow' => [
                    ['work_date' => '2026-02-01', 'tool' => ['calibrated_on' => '2026-02-02'], 'points' => [$point]],
                    '/tool/calibrated_on',
                ],
                'a word of the other visit' => [
                    ['work_date' => '2026-02-01', 'points' => [$point + ['mark' => 'moved']]],
                    '/points/0/mark',
                ],
                'no mark on a revisit' => [['work_date' => '2026-02-01', 'visit' => 'revisit', 'points' => [$point]], '/points/0/mark'],
            ],
            'colours' => [
                'bare tape' => [
                    ['system' => 'rybn', 'landings' => [['conductor' => 'R', 'terminal' => 'R', 'colour' => 'red', 'reid' => 'bare']]],
                    '/landings/0/reid',
                ],
                'L1 of another system' => [
                    ['system' => 'rybn', 'landings' => [['conductor' => 'L1', 'terminal' => 'R', 'colour' => 'red']]],
                    '/landings/0/conductor',
                ],
            ],
            'service_split' => [
                'two conductors' => [['line' => array_slice($split['line'], 0, 2)] + $split, '/line'],
                'a conductor twice' => [['line' => [...$split['line'], $split['line'][0]]] + $split, '/line/3/id'],
            ],
            'mobile_cable' => [
                'no load' => [
                    ['feed' => '50a', 'cords' => [['size' => '6', 'length_ft' => 30]], 'l1_a' => 0, 'l2_a' => 0, 'ocpd_a' => 50],
                    '/l1_a',
                ],
                'a leg of 30 A' => [
                    ['feed' => '30a', 'cords' => [['size' => '10', 'length_ft' => 30]], 'current_a' => 20, 'l1_a' => 3, 'ocpd_a' => 30],
                    '/l1_a',
                ],
            ],
            'topology' => [
                'a repeated element' => [$with(['id' => 'u', 'type' => 'what']), '/elements/2/id'],
                'five sources' => [
                    $with(
                        ...array_map(static fn(int $i): array => ['id' => "g$i", 'type' => 'source', 'kind' => 'generator'], range(1, 4)),
                    ),
                    '/elements',
                ],
                'a number for an id' => [$with(['id' => 4]), '/elements/2/id'],
                'poles as words' => [$with(['poles' => 'two'] + $switch), '/elements/2/poles'],
                'service without main' => [$with($switch + ['service_rated' => true]), '/elements/2/main_a'],
                'a breaker called bus' => [$with(['breakers' => [['id' => 'bus', 'rating_a' => 5]]] + $panel), '/elements/2/breakers/0/id'],
                'half a volt-ampere' => [$with(['id' => 'x', 'type' => 'load', 'phases' => ['L1'], 'va' => 1.0]), '/elements/2/va'],
                'a phase that is not there' => [$with(['id' => 'x', 'type' => 'load', 'phases' => ['L1', 'L3']]), '/elements/2/phases/1'],
                'grid-interactive utility' => [
                    $with(['id' => 'x', 'type' => 'source', 'kind' => 'shore', 'grid_interactive' => true]),
                    '/elements/2/grid_interactive',
                ],
                'inhibited by a load' => [
                    $with(['id' => 'x', 'type' => 'charger', 'inhibited_by' => ['u', 'l']]),
                    '/elements/2/inhibited_by/1',
                ],
                'a load that feeds' => [['links' => [['from' => 'l', 'to' => 'u']]] + $drawing, '/links/0/from'],
                'a panel without a port' => [['links' => [['from' => 'p', 'to' => 'l']]] + $with($panel), '/links/0/from'],
                'a switch without a side' => [['links' => [['from' => 'u', 'to' => 's']]] + $with($switch), '/links/0/to'],
                'a link twice' => [['links' => [self::LINK[0], self::LINK[0]]] + $drawing, '/links/1/to'],
                'into itself' => [['links' => [['from' => 'p.b', 'to' => 'p']]] + $with($panel), '/links/0/to'],
                'no device interlocked' => [$drawing + ['interlocks' => [['members' => ['u', 'l']]]], '/interlocks/0/members/0'],
                'a utility isolated' => [$drawing + ['isolations' => [['open' => ['u']]]], '/isolations/0/open/0'],
                'a test point that is none' => [$drawing + ['planned_test_point' => 'l'], '/planned_test_point'],
                'an object for a list' => [['elements' => (object) []] + $drawing, '/elements'],
                'no system' => [['elements' => []], '/system'],
            ],
            'power_down' => [
                'no closing' => [['open' => $end], '/close'],
                'nobody does it' => [['open' => ['who' => [], 'minutes' => 5], 'close' => $end], '/open/who'],
                'half a minute' => [['open' => ['minutes' => 0.5] + $end, 'close' => $end], '/open/minutes'],
                'a task called open' => [['open' => $end, 'close' => $end, 'tasks' => [['id' => 'open'] + $task]], '/tasks/0/id'],
                'a task twice' => [['open' => $end, 'close' => $end, 'tasks' => [$task, $task]], '/tasks/1/id'],
                'waits for what is not there' => [
                    ['open' => $end, 'close' => $end, 'tasks' => [$task + ['after' => ['b']]]],
                    '/tasks/0/after/0',
                ],
                'waits for itself' => [
                    ['open' => $end, 'close' => $end, 'tasks' => [$task + ['after' => ['b']], ['id' => 'b', 'after' => ['a']] + $task]],
                    '/tasks/0/after',
                ],
            ],
            'one_line_layout' => ['no links' => [['system' => 'split', 'elements' => self::SOURCES], '/links']],
            'bonding' => [
                'fed from itself' => [$tree(['id' => 'x', 'type' => 'panel', 'from' => 'x']), '/elements/2/from'],
                'fed from nothing' => [$tree(['id' => 'x', 'type' => 'load', 'from' => 'y']), '/elements/2/from'],
                'a loop' => [
                    $tree(['id' => 'x', 'type' => 'panel', 'from' => 'y'], ['id' => 'y', 'type' => 'panel', 'from' => 'x']),
                    '/elements/2/from',
                ],
                'a plug at the utility' => [
                    $tree(['id' => 'x', 'type' => 'source', 'kind' => 'utility', 'bond_plug' => true, 'gfci' => true]),
                    '/elements/2/bond_plug',
                ],
                'four phases' => [['phases' => 4] + $tree(), '/phases'],
                'minus one ground' => [
                    $tree(['id' => 'x', 'type' => 'panel', 'from' => 'u', 'grounds_on_neutral_bar' => -1]),
                    '/elements/2/grounds_on_neutral_bar',
                ],
            ],
        ] as $calc => $cases) {
            foreach ($cases as $name => [$input, $path]) {
                yield "$calc: $name" => [$calc, $input, $path];
            }
        }
    }
}
