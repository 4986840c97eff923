<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** One fault at a time in an otherwise good input of each calculation; the pointer names it. */
final class CalcBadInputTest extends TestCase
{
    /** @param array<string, mixed> $change */
    #[Test, DataProvider('faults')]
    public function the_pointer_names_the_fault(string $calc, string $path, array $change): void
    {
        $good = self::good($calc);
        (new Calculations())->calc($calc, Node::fromArray($good)); // good without the fault
        try {
            (new Calculations())->calc($calc, Node::fromArray(MergePatch::apply($good, $change)));
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);

            return;
        }
        self::fail("$calc takes a fault at $path.");
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function faults(): iterable
    {
        $exercise = static fn(array $change): array => ['site' => ['exercise' => $change]];
        $quiet = static fn(array $change): array => [
            'site' => ['quiet_hours' => [$change + ['days' => ['mon'], 'from' => '22:00', 'to' => '06:00']]],
        ];

        foreach ([
            'an unknown application' => ['/application', ['application' => 'castle']],
            'mobile on a house' => ['/application', ['application' => 'mobile']],
            'two sources on a house' => ['/application', ['application' => 'two_source']],
            'an unknown kind' => ['/system/kind', ['system' => ['kind' => 'magic']]],
            'four phases' => ['/system/sources/normal/phases', ['system' => ['sources' => ['normal' => ['phases' => 4]]]]],
            'no volts at all' => ['/system/sources/emergency/nominal_v', ['system' => ['sources' => ['emergency' => ['nominal_v' => 0]]]]],
            'eleven cranks' => ['/system/engine/crank_attempts', ['system' => ['engine' => ['crank_attempts' => 11]]]],
            'a house without an engine' => ['/system/engine', ['system' => ['engine' => null]]],
            'a delay that is true' => ['/settings/start_delay_ms', ['settings' => ['start_delay_ms' => true]]],
            'a delay that is null' => ['/settings/return_delay_ms', ['settings' => ['return_delay_ms' => null]]],
            'an unknown transition' => ['/settings/transition', ['settings' => ['transition' => 'closed']]],
            'over-voltage the wrong way round' => [
                '/settings/sensing/emergency/over_voltage/pickup_pct',
                ['settings' => ['sensing' => ['emergency' => ['over_voltage' => ['dropout_pct' => 110, 'pickup_pct' => 110]]]]],
            ],
            'a limit without its other half' => [
                '/settings/sensing/normal/under_frequency/pickup_pct',
                ['settings' => ['sensing' => ['normal' => ['under_frequency' => ['dropout_pct' => 90]]]]],
            ],
            'a percentage of nothing' => [
                '/settings/sensing/normal/under_voltage/dropout_pct',
                ['settings' => ['sensing' => ['normal' => ['under_voltage' => ['dropout_pct' => 0.5]]]]],
            ],
            'an exercise every no time' => [
                '/settings/exercise/every_ms',
                ['settings' => ['exercise' => ['first_at_ms' => 0, 'every_ms' => 0, 'for_ms' => 1, 'with_load' => true]]],
            ],
            'shedding without steps' => [
                '/settings/load_shed/step_ms',
                [
                    'settings' => [
                        'load_shed' => ['limit_kw' => 1, 'first_step_ms' => 0, 'step_ms' => 0, 'overload_ms' => 0, 'lockout_ms' => 0],
                    ],
                ],
            ],
            'a load with priority 0' => ['/loads/0/priority', ['loads' => [['id' => 'a', 'kw' => 1, 'priority' => 0, 'shed' => true]]]],
            'a load without a name' => ['/loads/0/id', ['loads' => [['id' => '', 'kw' => 1, 'priority' => 1, 'shed' => true]]]],
            'a load named twice' => [
                '/loads/1/id',
                ['loads' => array_fill(0, 2, ['id' => 'a', 'kw' => 1, 'priority' => 1, 'shed' => true])],
            ],
            'a load without its kW' => ['/loads/0/kw', ['loads' => [['id' => 'a', 'priority' => 1, 'shed' => true]]]],
            'a source of nothing' => ['/source_kw', ['source_kw' => 0]],
            'a negative motor' => ['/largest_motor_hp', ['largest_motor_hp' => -1]],
            'half a truth' => ['/has_compressor', ['has_compressor' => 'yes']],
            'an unknown day' => ['/site/exercise/day', $exercise(['day' => 'someday'])],
            'an hour that is none' => ['/site/exercise/time', $exercise(['time' => '24:00'])],
            'a time without its zero' => ['/site/exercise/time', $exercise(['time' => '7:30'])],
            'a time with a line after it' => ['/site/exercise/time', $exercise(['time' => "07:30\n"])],
            'now and then' => ['/site/exercise/every', $exercise(['every' => 'sometimes'])],
            'every no day' => ['/site/exercise/every', $exercise(['every' => 0])],
            'longer than a day' => ['/site/exercise/for_min', $exercise(['for_min' => 1441])],
            'a day twice' => ['/site/quiet_hours/0/days/1', $quiet(['days' => ['mon', 'mon']])],
            'no day' => ['/site/quiet_hours/0/days', $quiet(['days' => []])],
            'fifty-one quiet hours' => [
                '/site/quiet_hours',
                ['site' => ['quiet_hours' => array_fill(0, 51, ['days' => ['mon'], 'from' => '22:00', 'to' => '06:00'])]],
            ],
            'more tests than days' => ['/site/load_tests_per_year', ['site' => ['load_tests_per_year' => 367]]],
            'coal' => ['/site/fuel', ['site' => ['fuel' => 'coal']]],
            'an unknown key of the site' => ['/site/wind', ['site' => ['wind' => 1]]],
            'an unknown key' => ['/colour', ['colour' => 1]],
        ] as $name => [$path, $change]) {
            yield "settings_check: $name" => ['settings_check', $path, $change];
        }
        $marks = static fn(array $mark): array => ['marks' => [$mark + ['event' => 'utility_off', 'at_ms' => 0]]];
        foreach ([
            'marks that are none' => ['/marks', ['marks' => 'all']],
            'an unknown event' => ['/marks/0/event', $marks(['event' => 'lunch'])],
            'a time before the start' => ['/marks/0/at_ms', $marks(['at_ms' => -1])],
            'an id that is null' => ['/marks/0/id', $marks(['id' => null])],
            'an id of 65 characters' => ['/marks/0/id', $marks(['id' => str_repeat('ü', 65)])],
            'undone that is no truth' => ['/marks/0/undone', $marks(['undone' => 1])],
            'an unknown key of a mark' => ['/marks/0/note', $marks(['note' => 'x'])],
            'a reaction of more than a minute' => ['/reaction_ms', ['reaction_ms' => 60_001]],
            'settings that do not fit the system' => [
                '/settings/sensing/normal/rotation_check',
                ['settings' => ['sensing' => ['normal' => ['rotation_check' => true]]]],
            ],
        ] as $name => [$path, $change]) {
            yield "timing_verdict: $name" => ['timing_verdict', $path, $change];
        }
        foreach ([
            'no candidates' => ['/candidates', ['candidates' => []]],
            'a candidate twice' => [
                '/candidates/1/name',
                [
                    'candidates' => array_fill(
                        0,
                        2,
                        ['name' => 'x', 'settings' => (new SheetTemplate(InstallationKind::WholeHouse))->settings()->toWire()],
                    ),
                ],
            ],
            'twenty-one candidates' => [
                '/candidates',
                [
                    'candidates' => array_map(
                        static fn(int $i): array => [
                            'name' => "c$i",
                            'settings' => (new SheetTemplate(InstallationKind::WholeHouse))->settings()->toWire(),
                        ],
                        range(1, 21),
                    ),
                ],
            ],
            'a fault in a candidate' => [
                '/candidates/0/settings/travel_ms',
                [
                    'candidates' => [[
                        'name' => 'x',
                        'settings' => ['travel_ms' => 'far'] + (new SheetTemplate(InstallationKind::WholeHouse))->settings()->toWire(),
                    ]],
                ],
            ],
            'both kinds of script' => ['', ['recording' => []]],
            'events of a disturbance that go back' => [
                '/disturbances/0/events/1/at_ms',
                [
                    'disturbances' => [[
                        'at_ms' => 0,
                        'events' => [['at_ms' => 5, 'do' => 'engine_reset'], ['at_ms' => 4, 'do' => 'engine_reset']],
                    ]],
                ],
            ],
            'a disturbance before the one before it' => [
                '/disturbances/1/at_ms',
                ['disturbances' => [['at_ms' => 10, 'events' => []], ['at_ms' => 9, 'events' => []]]],
            ],
            'a disturbance into the one before it' => [
                '/disturbances/1/at_ms',
                [
                    'disturbances' => [
                        ['at_ms' => 10, 'events' => [['at_ms' => 20, 'do' => 'engine_reset']]],
                        ['at_ms' => 29, 'events' => []],
                    ],
                ],
            ],
            'a verb that is none' => [
                '/disturbances/0/events/0/do',
                ['disturbances' => [['at_ms' => 10, 'events' => [['at_ms' => 0, 'do' => 'explode']]]]],
            ],
            'no end' => ['/until_ms', ['until_ms' => null]],
            'negative fuel' => ['/fuel/loaded_l_h', ['fuel' => ['idle_l_h' => 1, 'loaded_l_h' => -1]]],
            'half a fuel' => ['/fuel/loaded_l_h', ['fuel' => ['idle_l_h' => 1]]],
        ] as $name => [$path, $change]) {
            yield "settings_compare: $name" => ['settings_compare', $path, $change];
        }
        yield 'settings_diff: a misspelt setting' => ['settings_diff', '/from/retrun_delay_ms', ['from' => ['retrun_delay_ms' => 1]]];
        yield 'settings_diff: no transfer delay' => ['settings_diff', '/to/transfer_delay_ms', ['to' => ['transfer_delay_ms' => null]]];
        yield 'settings_diff: no sensing' => ['settings_diff', '/to/sensing', ['to' => ['sensing' => []]]];
    }

    #[Test]
    public function a_missing_key_is_named_where_it_should_stand(): void
    {
        foreach (['settings_check', 'settings_diff', 'settings_compare', 'timing_verdict'] as $calc) {
            foreach (array_keys(self::good($calc)) as $key) {
                $input = self::good($calc);
                unset($input[$key]);
                try {
                    (new Calculations())->calc($calc, Node::fromArray($input));
                } catch (BadInput $e) {
                    self::assertContains($e->path, ["/$key", ''], "$calc without $key"); // '' for the pair of which one is needed
                }
            }
        }
        $this->expectExceptionObject(new BadInput(
            '',
            'There is no calculation "guess". There are: ' . implode(', ', Calculations::NAMES) . '.',
        ));
        (new Calculations())->calc('guess', Node::fromArray([]));
    }

    /** @return array<string, mixed> */
    private static function good(string $calc): array
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $system = $template->plant()->toArray();
        $settings = $template->settings()->toWire();

        return match ($calc) {
            'settings_check' => [
                'application' => 'residential', 'system' => $system, 'settings' => $settings,
                'site' => ['exercise' => ['day' => 'tue', 'time' => '11:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false]],
            ],
            'timing_verdict' => ['system' => $system, 'settings' => $settings, 'marks' => []],
            'settings_diff' => ['from' => $settings, 'to' => $settings],
            'settings_compare' => [
                'system' => $system,
                'candidates' => [['name' => 'a', 'settings' => $settings]],
                'disturbances' => [],
                'until_ms' => 1000,
            ],
            default => throw new \LogicException($calc),
        };
    }
}
