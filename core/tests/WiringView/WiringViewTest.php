<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\WiringView;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What holds for the wiring of every enclosure, and each finding on both sides of its rule. */
final class WiringViewTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function no_two_terminals_share_a_cell_and_no_drop_lies_on_another(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 2_000_000_000))->then(function (int $seed): void {
            $input = self::scrambled(new Randomizer(new Mt19937($seed)));
            $view = self::view($input);
            $cells = array_map(static fn(array $t): string => "{$t['row']} {$t['column']}", $view['terminals']);
            self::assertSame($cells, array_unique($cells), 'two terminals in one cell');
            self::assertSame(array_column($input['conductors'], 'id'), array_column($view['conductors'], 'id'));
            $orders = array_column($view['conductors'], 'order');
            sort($orders);
            self::assertSame(array_keys($orders), array_map(static fn(int $order): int => $order - 1, $orders));
            $lanes = [];
            $terminals = array_column($view['terminals'], null, 'id');
            foreach ($view['conductors'] as $one) {
                $terminal = $terminals[$one['terminal']];
                $lanes[] = "{$one['gutter']} {$terminal['column']} {$one['lane']}";
                self::assertSame($one['id'], $terminal['conductors'][$one['slot'] - 1]);
            }
            self::assertSame($lanes, array_unique($lanes), 'two conductors in one lane');
            foreach (self::pairsOfOneGutter($view['conductors'], $terminals) as [$inner, $outer]) {
                self::assertLessThanOrEqual(
                    self::depth($outer, $terminals),
                    self::depth($inner, $terminals),
                    'an inner lane reaches past an outer one',
                );
            }
            $mixed = array_column(array_filter($view['findings'], static fn(array $f): bool => $f['id'] === 'legs-mixed'), 'at');
            foreach ($view['terminals'] as $terminal) {
                if ($terminal['kind'] === 'lug' && $terminal['leg'] !== 'N') {
                    self::assertSame(count(array_diff($terminal['legs'], ['N', 'G'])) > 1, in_array($terminal['id'], $mixed, true));
                }
            }
        });
    }

    /**
     * @param list<array<string, mixed>>          $conductors
     * @param array<string, array<string, mixed>> $terminals
     *
     * @return iterable<array{array<string, mixed>, array<string, mixed>}>
     */
    private static function pairsOfOneGutter(array $conductors, array $terminals): iterable
    {
        foreach ($conductors as $a) {
            foreach ($conductors as $b) {
                $isSame = $a['gutter'] === $b['gutter'] && $terminals[$a['terminal']]['column'] === $terminals[$b['terminal']]['column'];
                if ($isSame && $a['lane'] < $b['lane']) {
                    yield [$a, $b];
                }
            }
        }
    }

    /**
     * @param array<string, mixed>                $conductor
     * @param array<string, array<string, mixed>> $terminals
     */
    private static function depth(array $conductor, array $terminals): int
    {
        $row = $terminals[$conductor['terminal']]['row'];

        return $conductor['gutter'] === 'top' ? $row : -$row;
    }

    /**
     * @param array<string, mixed> $patch of the whole input
     * @param list<string>         $told  "id at severity"
     * @param list<string>         $silent
     */
    #[Test, DataProvider('cases')]
    public function a_finding_is_raised_on_one_side_of_its_rule(array $patch, array $told, array $silent): void
    {
        $findings = self::view($patch + self::house())['findings'];
        $found = array_map(static fn(array $f): string => "{$f['id']} {$f['at']} {$f['severity']}", $findings);
        self::assertSame([], array_values(array_diff($told, $found)), 'told: ' . implode(', ', $found));
        self::assertSame([], array_values(array_intersect($silent, array_column($findings, 'id'))), 'told: ' . implode(', ', $found));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>, list<string>}> */
    public static function cases(): iterable
    {
        $on = static fn(string $id, array $change): array => ['conductors' => array_map(
            static fn(array $one): array => $one['id'] === $id ? $change + $one : $one,
            self::house()['conductors'],
        )];
        $without = static fn(string $id): array => [
            'conductors' => array_values(array_filter(self::house()['conductors'], static fn(array $one): bool => $one['id'] !== $id)),
        ];
        yield 'as it should be' => [
            [],
            ['line-side-live ats.normal warn'],
            ['legs-mixed', 'terminal-empty', 'lug-count-unstated', 'bond-missing', 'bond-extra', 'sets-unequal'],
        ];
        yield 'two legs on one lug' => [
            $on('u2', ['terminal' => 'normal.L1']),
            ['legs-mixed normal.L1 stop', 'terminal-empty normal.L2 warn'],
            ['leg-on-other-lug'],
        ];
        yield 'a leg on the lug of another' => [
            $on('p2', ['leg' => 'L1', 'terminal' => 'load.L2']),
            ['leg-on-other-lug load.L2 warn', 'set-split panel.in stop'],
            ['legs-mixed'],
        ];
        yield 'a neutral on a line lug' => [$on('un', ['terminal' => 'normal.L1']), ['neutral-on-hot normal.L1 stop'], []];
        yield 'a ground on a line lug' => [$on('pg', ['terminal' => 'load.L1']), ['ground-on-hot load.L1 stop'], []];
        yield 'a line on the neutral' => [$on('g1', ['terminal' => 'neutral']), ['hot-on-neutral neutral stop'], []];
        yield 'a line on the ground' => [$on('g1', ['terminal' => 'ground']), ['hot-on-ground ground stop'], []];
        yield 'a ground on the neutral where they are joined' => [$on('pg', ['terminal' => 'neutral']), [], ['ground-on-neutral-bar']];
        yield 'a ground on the neutral where they are not' => [
            ['bond' => false] + $on('pg', ['terminal' => 'neutral']),
            ['ground-on-neutral-bar neutral stop'],
            [],
        ];
        yield 'a neutral on the ground where they are joined' => [
            $on('pn', ['terminal' => 'ground']),
            ['neutral-on-ground-bar ground warn'],
            [],
        ];
        yield 'a neutral on the ground where they are not' => [
            ['bond' => false] + $on('pn', ['terminal' => 'ground']),
            ['neutral-on-ground-bar ground stop'],
            [],
        ];
        yield 'the bond forgotten' => [['bond' => false], ['bond-missing ats stop'], []];
        yield 'a bond too many' => [['bond_wanted' => false], ['bond-extra ats stop'], []];
        yield 'nobody knows whether it belongs' => [['bond_wanted' => null], [], ['bond-extra', 'bond-missing']];
        $lug = static fn(array $lug): array => ['lugs' => [$lug + ['terminal' => 'load.L1']]];
        $two = [
            'conductors' => [...self::house()['conductors'], ['id' => 'q1', 'link' => 2, 'leg' => 'L1', 'size' => '2', 'material' => 'cu']],
        ];
        yield 'two on a lug, nobody knows' => [$two, ['lug-count-unstated load.L1 warn', 'sets-unequal panel.in stop'], ['lug-overfilled']];
        yield 'two on a lug for two' => [$two + $lug(['wires_max' => 2]), [], ['lug-count-unstated', 'lug-overfilled']];
        yield 'two on a lug for one' => [$two + $lug(['wires_max' => 1]), ['lug-overfilled load.L1 stop'], ['lug-count-unstated']];
        yield 'copper in a lug for aluminum' => [$lug(['material' => 'al']), ['lug-material load.L1 warn'], []];
        yield 'copper in a lug for both' => [$lug(['material' => 'cu_al']), [], ['lug-material']];
        yield 'the smallest a lug takes' => [$lug(['min_size' => '2', 'max_size' => '2']), [], ['lug-size']];
        yield 'smaller' => [$lug(['min_size' => '1']), ['lug-size load.L1 stop'], []];
        yield 'larger' => [$lug(['max_size' => '3']), ['lug-size load.L1 stop'], []];
        yield 'an empty lug' => [$without('p2'), ['terminal-empty load.L2 warn'], ['sets-unequal']];
        $controls = [
            'controls' => [
                ['id' => 'T1', 'function' => 'start'],
                ['id' => 'T2', 'function' => 'charger', 'fed_by' => 'util'],
                ['id' => 'T3', 'function' => 'alarm', 'fed_by' => 'gen'],
            ],
        ];
        yield 'start circuit without wire' => [$controls, ['control-unwired T1 warn', 'control-foreign-voltage T2 note'], []];
        $wire = static fn(?bool $stranded, ?bool $ferrule): array => $controls + [
            'control_wires' => [['id' => 'c1', 'terminal' => 'T1', 'to' => 'gen', 'stranded' => $stranded, 'ferrule' => $ferrule]],
        ];
        yield 'stranded without ferrule' => [$wire(true, false), ['ferrule-missing c1 warn'], ['control-unwired']];
        yield 'stranded, nobody looked' => [$wire(true, null), [], ['ferrule-missing']];
        yield 'solid needs none' => [$wire(false, false), [], ['ferrule-missing']];
        $jumper = static fn(string $a, string $b, bool $fitted, bool $wanted): array => $controls + [
            'jumpers' => [['a' => $a, 'b' => $b, 'fitted' => $fitted, 'wanted' => $wanted]],
        ];
        yield 'a jumper forgotten' => [$jumper('T1', 'T2', false, true), ['jumper-missing T1-T2 warn'], ['jumper-joins-sources']];
        yield 'a jumper too many' => [$jumper('T1', 'T2', true, false), ['jumper-extra T1-T2 warn'], ['jumper-joins-sources']];
        yield 'a jumper between two supplies' => [$jumper('T2', 'T3', true, true), ['jumper-joins-sources T2-T3 stop'], ['jumper-extra']];
    }

    #[Test]
    public function a_breaker_that_is_used_on_more_legs_than_it_has_poles_is_a_stop(): void
    {
        $house = self::house();
        $house['elements'][2]['breakers'] = [['id' => 'b', 'rating_a' => 30, 'poles' => 1]];
        $house['elements'][] = ['id' => 'load', 'type' => 'load', 'phases' => ['L1']];
        $house['links'][] = ['from' => 'panel.b', 'to' => 'load'];
        $house['enclosure'] = 'panel';
        $at = static fn(array $conductors): array => array_column(
            array_filter(
                self::view(['conductors' => $conductors] + $house)['findings'],
                static fn(array $f): bool => $f['id'] === 'breaker-poles-short',
            ),
            'at',
        );
        $one = ['id' => 'a', 'link' => 3, 'leg' => 'L1'];
        self::assertSame([], $at([$one]));
        self::assertSame(['b'], $at([$one, ['id' => 'c', 'link' => 3, 'leg' => 'L2']]));
    }

    #[Test, DataProvider('faults')]
    public function bad_input_is_named_at_its_place(array $patch, string $path): void
    {
        try {
            self::view($patch + self::house());
            self::fail('This input is bad.');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'no enclosure' => [['enclosure' => 'util'], '/enclosure'];
        yield 'a link elsewhere' => [['conductors' => [['id' => 'a', 'link' => 9, 'leg' => 'L1']]], '/conductors/0/link'];
        yield 'a terminal that is not there' => [
            ['conductors' => [['id' => 'a', 'link' => 0, 'leg' => 'L1', 'terminal' => 'out.L1']]],
            '/conductors/0/terminal',
        ];
        yield 'the same lug again' => [['lugs' => [['terminal' => 'ground'], ['terminal' => 'ground']]], '/lugs/1/terminal'];
        yield 'sizes the wrong way round' => [
            ['lugs' => [['terminal' => 'ground', 'min_size' => '2', 'max_size' => '4']]],
            '/lugs/0/max_size',
        ];
        yield 'a control called like a bar' => [['controls' => [['id' => 'ground', 'function' => 'spare']]], '/controls/0/id'];
        yield 'a wire called like a conductor' => [
            ['controls' => [['id' => 'T1', 'function' => 'start']], 'control_wires' => [['id' => 'u1', 'terminal' => 'T1', 'to' => 'x']]],
            '/control_wires/0/id',
        ];
        yield 'a jumper to itself' => [
            [
                'controls' => [['id' => 'T1', 'function' => 'start']],
                'jumpers' => [['a' => 'T1', 'b' => 'T1', 'fitted' => true, 'wanted' => true]],
            ],
            '/jumpers/0/b',
        ];
    }

    /** @return array<string, mixed> a switch between utility, generator and one panel, wired as it should be */
    private static function house(): array
    {
        $conductor = static fn(string $id, int $link, string $leg): array => [
            'id' => $id,
            'link' => $link,
            'leg' => $leg,
            'size' => '2',
            'material' => 'cu',
        ];

        return [
            'system' => 'split',
            'elements' => [
                ['id' => 'util', 'type' => 'source', 'kind' => 'utility'], ['id' => 'gen', 'type' => 'source', 'kind' => 'generator'],
                ['id' => 'panel', 'type' => 'panel', 'role' => 'sub', 'rating_a' => 125],
                [
                    'id' => 'ats',
                    'type' => 'switch',
                    'kind' => 'motor',
                    'poles' => 2,
                    'neutral' => 'solid',
                    'rating_a' => 125,
                    'service_rated' => true,
                    'main_a' => 125,
                ],
            ],
            'links' => [
                ['from' => 'util', 'to' => 'ats.normal'],
                ['from' => 'gen', 'to' => 'ats.emergency'],
                ['from' => 'ats', 'to' => 'panel'],
            ],
            'enclosure' => 'ats', 'bond' => true, 'bond_wanted' => true,
            'conductors' => [
                $conductor('u1', 0, 'L1'),
                $conductor('u2', 0, 'L2'),
                $conductor('un', 0, 'N'),
                $conductor('g1', 1, 'L1'),
                $conductor('g2', 1, 'L2'),
                $conductor('gn', 1, 'N'),
                $conductor('p1', 2, 'L1'),
                $conductor('p2', 2, 'L2'),
                $conductor('pn', 2, 'N'),
                $conductor('pg', 2, 'G'),
            ],
        ];
    }

    /** @return array<string, mixed> any conductors on any terminals, from any side */
    private static function scrambled(Randomizer $random): array
    {
        $house = self::house();
        $terminals = [null, 'normal.L1', 'normal.L2', 'load.L1', 'load.L2', 'emergency.L1', 'emergency.L2', 'neutral', 'ground'];
        $house['conductors'] = [];
        for ($i = 0, $n = $random->getInt(0, 25); $i < $n; $i++) {
            $house['conductors'][] = [
                'id' => "c$i", 'link' => $random->getInt(0, 2), 'leg' => ['L1', 'L2', 'N', 'G'][$random->getInt(0, 3)],
                'terminal' => $terminals[$random->getInt(0, 8)], 'entry' => ['top', 'bottom', 'left', 'right'][$random->getInt(0, 3)],
            ];
        }

        return $house;
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private static function view(array $input): array
    {
        return json_decode((string) json_encode((new Calculations())->calc('wiring_view', Node::fromArray($input))), true);
    }
}
