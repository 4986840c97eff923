<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\HoldsRules;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the second edition of the wiring rules added, each on its own limit, and which of several faults is named. */
final class SecondEditionTest extends TestCase
{
    use HoldsRules;

    /**
     * @param array<string, mixed> $input
     * @param list<string>         $tells
     * @param list<string>         $silent
     * @param array<string, mixed> $values
     */
    #[Test]
    #[DataProvider('cables')]
    #[DataProvider('machines')]
    #[DataProvider('grounds')]
    #[DataProvider('raceways')]
    #[DataProvider('colours')]
    #[DataProvider('faults')]
    public function a_rule_holds_on_its_limit(string $calc, array $input, array $tells, array $silent, array $values = []): void
    {
        self::assertRule($calc, $input, $tells, $silent, $values);
    }

    /** @return iterable<string, array<mixed>> */
    public static function cables(): iterable
    {
        $of = static fn(array $more): array => $more + ['material' => 'cu', 'noncontinuous_a' => 30, 'terminal_c' => 75];
        yield 'nm outdoors' => [
            'conductor',
            $of(['cable' => 'nm_b', 'location' => 'wet']),
            ['cable-not-for-location', 'cable-60c'],
            ['wet-rating-mark'],
        ];
        yield 'nm in the dry' => ['conductor', $of(['cable' => 'nm_b']), ['cable-60c'], ['cable-not-for-location']];
        yield 'nm on 60 °C terminals' => ['conductor', $of(['cable' => 'nm_b', 'terminal_c' => 60]), [], ['cable-60c']];
        yield 'nm ends at 2 AWG' => ['conductor', $of(['cable' => 'nm_b', 'noncontinuous_a' => 96]), ['no-size-fits'], []];
        yield 'uf buried' => ['conductor', $of(['cable' => 'uf_b', 'location' => 'buried']), [], ['cable-not-for-location', 'cable-60c']];
        yield 'ser in insulation, 10 AWG' => [
            'conductor',
            $of(['cable' => 'ser', 'in_insulation' => true, 'size' => '10']),
            ['cable-60c'],
            [],
        ];
        yield 'ser in insulation, 8 AWG' => [
            'conductor',
            $of(['cable' => 'ser', 'in_insulation' => true, 'size' => '8']),
            [],
            ['cable-60c'],
        ];
        yield 'ser buried' => [
            'conductor',
            $of(['cable' => 'ser', 'location' => 'buried']),
            ['cable-not-for-location'],
            ['seu-bare-neutral'],
        ];
        yield 'ser outdoors' => ['conductor', $of(['cable' => 'ser', 'location' => 'wet']), [], ['cable-not-for-location']];
        yield 'seu' => ['conductor', $of(['cable' => 'seu']), ['seu-bare-neutral'], []];
        yield 'mc outdoors' => ['conductor', $of(['cable' => 'mc', 'location' => 'wet']), ['cable-listing-for-location'], []];
        yield 'mc in the dry' => ['conductor', $of(['cable' => 'mc']), [], ['cable-listing-for-location']];
        yield 'burial conductors indoors' => ['conductor', $of(['cable' => 'urd']), ['cable-listing-for-location'], []];
        yield 'burial conductors in the ground' => [
            'conductor',
            $of(['cable' => 'urd', 'location' => 'buried']),
            [],
            ['cable-listing-for-location'],
        ];
        yield 'wires in a wet raceway' => ['conductor', $of(['location' => 'wet']), ['wet-rating-mark'], []];
        yield 'wires of 75 °C in a wet raceway' => ['conductor', $of(['location' => 'wet', 'insulation_c' => 75]), [], ['wet-rating-mark']];
    }

    /** @return iterable<string, array<mixed>> */
    public static function machines(): iterable
    {
        $unit = ['material' => 'cu', 'noncontinuous_a' => 25, 'terminal_c' => 75];
        yield 'ten on thirty needs no nameplate' => [
            'conductor',
            $unit + ['size' => '10', 'ocpd_a' => 30, 'max_ocpd_a' => 40],
            [],
            ['nameplate-ocpd-used', 'small-conductor-limit'],
        ];
        yield 'ten on thirty-five does' => [
            'conductor',
            $unit + ['size' => '10', 'ocpd_a' => 35, 'max_ocpd_a' => 40],
            ['nameplate-ocpd-used'],
            ['ocpd-too-large', 'next-size-up-used'],
        ];
        yield 'above the nameplate' => [
            'conductor',
            $unit + ['size' => '10', 'ocpd_a' => 45, 'max_ocpd_a' => 40],
            ['ocpd-too-large'],
            ['nameplate-ocpd-used'],
        ];
        yield 'a nameplate between two sizes' => ['conductor', $unit + ['max_ocpd_a' => 44.9], [], [], ['ocpd_a' => 40]];
        yield 'exempt without a nameplate' => [
            'conductor',
            $unit + ['size' => '10', 'small_conductor_exempt' => true],
            ['nameplate-ocpd-missing'],
            [],
        ];
        yield 'exempt with one' => [
            'conductor',
            $unit + ['size' => '10', 'small_conductor_exempt' => true, 'max_ocpd_a' => 40],
            [],
            ['nameplate-ocpd-missing'],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function grounds(): iterable
    {
        $of = static fn(array $more): array => [
            'grounded_conductor' => $more + ['ungrounded_material' => 'cu', 'ungrounded_size' => '4/0', 'material' => 'cu'],
        ];
        yield 'by the table' => [
            'grounding',
            $of(['installed_size' => '2']),
            ['grounded-conductor-load-too'],
            ['grounded-conductor-too-small'],
            ['grounded_conductor.rule' => 'table', 'grounded_conductor.size' => '2'],
        ];
        yield 'one size smaller' => [
            'grounding',
            $of(['installed_size' => '3']),
            ['grounded-conductor-too-small'],
            [],
            ['grounded_conductor.ok' => false],
        ];
        yield 'no larger than its line conductors' => [
            'grounding',
            $of(['ungrounded_size' => '14']),
            [],
            [],
            ['grounded_conductor.rule' => 'ungrounded', 'grounded_conductor.size' => '14'],
        ];
        yield 'not by another material' => [
            'grounding',
            $of(['ungrounded_size' => '8', 'material' => 'al']),
            [],
            ['mixed-material-jumper'],
            ['grounded_conductor.rule' => 'table', 'grounded_conductor.size' => '6'],
        ];
        yield 'in parallel' => [
            'grounding',
            $of(['sets' => 2, 'raceways' => 2]),
            [],
            [],
            ['grounded_conductor.rule' => 'parallel', 'grounded_conductor.size' => '1/0', 'grounded_conductor.per_raceway' => 2],
        ];
        $jumper = static fn(array $more): array => [
            'bonding_jumper' => $more + ['ungrounded_material' => 'cu', 'ungrounded_size' => '600', 'material' => 'cu', 'sets' => 2],
        ];
        yield 'main jumper for all sets' => [
            'grounding',
            $jumper(['use' => 'main']),
            [],
            [],
            ['bonding_jumper.kcmil' => 1200, 'bonding_jumper.rule' => '12.5pct', 'bonding_jumper.per_raceway' => 1],
        ];
        yield 'supply side jumper, each raceway' => [
            'grounding',
            $jumper(['raceways' => 2]),
            [],
            [],
            ['bonding_jumper.kcmil' => 600, 'bonding_jumper.size' => '1/0'],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function raceways(): iterable
    {
        $of = static fn(string $type, string $size = '4/0', int $qty = 3): array => [
            'raceway' => ['type' => $type, 'trade_size' => '2'],
            'items' => [['kind' => 'thhn', 'size' => $size, 'qty' => $qty]],
        ];
        yield 'rigid' => ['raceway_fill', $of('imc'), [], ['wire-egc', 'tight-pull']];
        yield 'nonmetallic tubing' => ['raceway_fill', $of('ent', '4/0', 4), ['wire-egc'], ['tight-pull']];
        foreach (['fmc', 'lfmc', 'lfnc'] as $type) {
            yield "stiff conductors in $type" => ['raceway_fill', $of($type, '4/0', 4), ['wire-egc', 'tight-pull'], []];
            yield "supple conductors in $type" => ['raceway_fill', $of($type, '3/0', 4), ['wire-egc'], ['tight-pull']];
        }
    }

    /** @return iterable<string, array<mixed>> */
    public static function colours(): iterable
    {
        $hots = static fn(string $one, string $two, array $more = []): array => $more + ['system' => 'us_split_120_240', 'landings' => [
            ['conductor' => 'L1', 'terminal' => 'L1', 'colour' => $one], ['conductor' => 'L2', 'terminal' => 'L2', 'colour' => $two],
            ['conductor' => 'N', 'terminal' => 'N', 'colour' => 'white'], ['conductor' => 'G', 'terminal' => 'G', 'colour' => 'bare'],
        ]];
        yield 'both black' => ['colours', $hots('black', 'black'), ['same-colour-hots'], ['colour-of-other-phase']];
        yield 'both black beside another system' => [
            'colours',
            $hots('black', 'black', ['several_systems' => true]),
            ['colour-of-other-phase'],
            ['same-colour-hots'],
        ];
        yield 'exchanged' => ['colours', $hots('red', 'black'), ['colour-of-other-phase'], ['same-colour-hots']];
        yield 'three phases are never alike' => ['colours', ['system' => 'us_208y_120', 'landings' => [
            ['conductor' => 'L1', 'terminal' => 'L1', 'colour' => 'black'], ['conductor' => 'L2', 'terminal' => 'L2', 'colour' => 'black'],
        ]], ['colour-of-other-phase'], ['same-colour-hots']];
        yield 'red first in Canada' => [
            'colours',
            ['system' => 'ca_208y_120', 'landings' => [['conductor' => 'L1', 'terminal' => 'L1', 'colour' => 'red']]],
            [],
            ['colour-of-other-phase', 'colour-not-convention'],
        ];
        yield 'white is a phase where black is the neutral' => [
            'colours',
            ['system' => 'au_nz_400_230', 'landings' => [['conductor' => 'L2', 'terminal' => 'L2', 'colour' => 'white']]],
            [],
            ['unmarked-reidentified'],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function faults(): iterable
    {
        $of = static fn(array $source, array $point, array $more = []): array => $more + [
            'circuit' => 'three_phase',
            'v' => 480,
            'source' => $source,
            'points' => [$point + ['id' => 'panel', 'from' => 'source']],
        ];
        $known = ['kind' => 'known', 'fault_ka' => 10, 'xr' => 1];
        yield 'just what it breaks' => [
            'fault_current',
            $of($known, ['aic_ka' => 10]),
            ['bolted-only', 'confirm-code'],
            ['interrupting-rating-exceeded'],
            ['points.0.ok' => true, 'points.0.sym_ka' => 10.0],
        ];
        yield 'a motor more' => [
            'fault_current',
            $of($known, ['aic_ka' => 10], ['motor_fla_a' => 1]),
            ['interrupting-rating-exceeded', 'motor-contribution'],
            [],
            ['points.0.max_ka' => 10.004, 'points.0.ok' => false],
        ];
        yield 'held by a series combination' => [
            'fault_current',
            $of($known, ['aic_ka' => 5, 'series_ka' => 10]),
            ['series-rating-used'],
            ['interrupting-rating-exceeded'],
            ['points.0.ok' => true],
        ];
        yield 'not held by it' => [
            'fault_current',
            $of($known, ['aic_ka' => 5, 'series_ka' => 9.9]),
            ['interrupting-rating-exceeded'],
            ['series-rating-used'],
        ];
        yield 'rating unknown' => ['fault_current', $of($known, []), ['interrupting-rating-unknown'], [], ['points.0.ok' => null]];
        yield 'as sharp as its test' => ['fault_current', $of(['xr' => 3.18] + $known, ['aic_ka' => 20]), [], ['xr-above-test']];
        yield 'sharper' => ['fault_current', $of(['xr' => 3.2] + $known, ['aic_ka' => 20]), ['xr-above-test'], []];
        yield 'a large device is tested sharper' => ['fault_current', $of(['xr' => 4.9] + $known, ['aic_ka' => 22]), [], ['xr-above-test']];
        yield 'infinite primary' => [
            'fault_current',
            $of(['kind' => 'transformer', 'kva' => 100, 'impedance_pct' => 2], []),
            ['infinite-primary'],
            [],
        ];
        yield 'known primary' => [
            'fault_current',
            $of(['kind' => 'transformer', 'kva' => 100, 'impedance_pct' => 2, 'primary_mva' => 100], []),
            [],
            ['infinite-primary'],
        ];
        $gen = ['kind' => 'generator', 'kva' => 100, 'xd2_pct' => 12];
        yield 'a set that sustains too little' => [
            'fault_current',
            $of($gen, ['rating_a' => 125]),
            ['fault-may-not-trip'],
            ['no-instantaneous-trip', 'xr-above-test'],
        ];
        yield 'the same, tripping at once' => [
            'fault_current',
            $of($gen, ['rating_a' => 125, 'instantaneous_a' => 500]),
            [],
            ['fault-may-not-trip', 'no-instantaneous-trip'],
        ];
        yield 'the same, set too high' => [
            'fault_current',
            $of($gen, ['rating_a' => 125, 'instantaneous_a' => 2000]),
            ['fault-may-not-trip', 'no-instantaneous-trip'],
            [],
        ];
        yield 'field boost' => ['fault_current', $of(['sustained_pct' => 320] + $gen, ['rating_a' => 125]), [], ['fault-may-not-trip']];
    }

    #[Test, DataProvider('severalFaults')]
    public function of_several_faults_the_first_in_order_is_named(string $calc, array $input, string $path): void
    {
        try {
            (new Calculations())->calc($calc, Node::fromArray($input));
            self::fail('This input is bad.');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function severalFaults(): iterable
    {
        yield 'a deciding key before an unknown one' => ['conductor', ['zzz' => 1, 'system' => 'moon'], '/system'];
        yield 'an unknown key before a bad value' => ['conductor', ['material' => 'tin', 'zzz' => 1], '/zzz'];
        yield 'keys in their order' => ['conductor', ['size' => '15', 'insulation_c' => 61, 'material' => 'cu'], '/insulation_c'];
        yield 'a value before a rule between keys' => [
            'conductor',
            ['material' => 'al', 'size' => '14', 'continuous_school' => 'odd'],
            '/continuous_school',
        ];
        yield 'no load before small aluminum' => ['conductor', ['material' => 'al', 'size' => '14'], '/continuous_a'];
        yield 'a key of the other install method' => [
            'conductor',
            ['system' => 'iec', 'install_method' => 'D1', 'material' => 'cu', 'grouping' => 'bunched'],
            '/grouping',
        ];
        yield 'length before the control size' => [
            'voltage_drop',
            ['circuit' => 'three_phase', 'material' => 'cu', 'size' => '18', 'v' => 24, 'current_a' => 1],
            '/length_ft',
        ];
        yield 'a rule of the first object after values of the second' => [
            'grounding',
            ['egc' => ['ocpd_a' => 100, 'material' => 'cu', 'min_size' => '8'], 'gec' => ['ungrounded_material' => 'tin']],
            '/gec/ungrounded_material',
        ];
        yield 'the list before what is repeated in it' => [
            'fault_current',
            [
                'circuit' => 'three_phase',
                'v' => 480,
                'source' => ['kind' => 'known', 'fault_ka' => 10],
                'points' => [['id' => 'a', 'from' => 'source'], ['id' => 'a', 'from' => 'source'], ['id' => 'b', 'from' => 5]],
            ],
            '/points/2/from',
        ];
        yield 'a repeated point before a stray one' => [
            'fault_current',
            [
                'circuit' => 'three_phase',
                'v' => 480,
                'source' => ['kind' => 'known', 'fault_ka' => 10],
                'points' => [['id' => 'a', 'from' => 'nowhere'], ['id' => 'a', 'from' => 'source']],
            ],
            '/points/1/id',
        ];
        yield 'a pull box: values before ends' => [
            'pull_box',
            [
                'mode' => 'raceways',
                'box' => ['w_in' => 1, 'h_in' => 1, 'd_in' => 1],
                'raceways' => [['id' => 'a', 'wall' => 'left', 'trade_size' => '2']],
                'pulls' => [['from' => 'x', 'to' => 'a', 'largest_size' => '2'], ['from' => 'a', 'to' => 'a', 'largest_size' => '5']],
            ],
            '/pulls/1/largest_size',
        ];
        yield 'a split service: values before aluminum' => [
            'service_split',
            [
                'service_ocpd_a' => 400,
                'switch' => ['rating_a' => 400, 'service_rated' => true],
                'conductor' => ['material' => 'al', 'size' => '14'],
                'line' => [],
            ],
            '/line',
        ];
    }

    /** A longer run, a smaller conductor or a lower source never raises the fault current. */
    #[Test]
    public function more_between_source_and_fault_means_less_current(): void
    {
        $at = static function (float $feet, string $size, float $ka): float {
            $answer = (new Calculations())->calc('fault_current', Node::fromArray([
                'circuit' => 'split_phase', 'v' => 240, 'source' => ['kind' => 'known', 'fault_ka' => $ka],
                'points' => [['id' => 'p', 'from' => 'source', 'run' => ['material' => 'cu', 'size' => $size, 'length_ft' => $feet]]],
            ]));

            return (float) $answer['points'][0]['sym_ka'];
        };
        foreach ([10.0, 60.0, 400.0] as $feet) {
            self::assertGreaterThan($at($feet * 1.1, '2/0', 22), $at($feet, '2/0', 22));
            self::assertGreaterThan($at($feet, '1', 22), $at($feet, '2/0', 22));
            self::assertGreaterThan($at($feet, '2/0', 20), $at($feet, '2/0', 22));
        }
    }
}
