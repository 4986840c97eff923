<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wiring;

use Escapement\Core\Tests\HoldsRules;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each rule on its own limit: the finding on one side, not on the other. Rule: wiring §2 to §10. */
final class RuleEdgeTest extends TestCase
{
    use HoldsRules;

    /**
     * @param array<string, mixed> $input
     * @param list<string>         $tells  findings that are there
     * @param list<string>         $silent findings that are not
     * @param array<string, mixed> $values some of the answer, by path with dots
     */
    #[Test]
    #[DataProvider('conductors')]
    #[DataProvider('groundings')]
    #[DataProvider('raceways')]
    #[DataProvider('boxes')]
    #[DataProvider('torques')]
    #[DataProvider('colours')]
    #[DataProvider('services')]
    #[DataProvider('cords')]
    #[DataProvider('drops')]
    public function a_rule_holds_on_its_limit(string $calc, array $input, array $tells, array $silent, array $values = []): void
    {
        self::assertRule($calc, $input, $tells, $silent, $values);
    }

    /** @return iterable<string, array<mixed>> */
    public static function conductors(): iterable
    {
        $cu = ['material' => 'cu', 'noncontinuous_a' => 100, 'terminal_c' => 75];
        yield 'conductor: on the terminal\'s limit' => [
            'conductor',
            ['size' => '3', 'ocpd_a' => 100] + $cu,
            ['confirm-code'],
            ['terminal-too-hot', 'ampacity-too-low'],
        ];
        yield 'conductor: over the terminal\'s limit' => [
            'conductor',
            ['size' => '3', 'ocpd_a' => 110, 'noncontinuous_a' => 100.1] + $cu,
            ['terminal-too-hot'],
            ['ampacity-too-low'],
        ];
        yield 'conductor: what heat leaves is enough' => [
            'conductor',
            ['size' => '3', 'ocpd_a' => 100, 'ambient_c' => 45] + $cu,
            [],
            ['ampacity-too-low', 'terminal-too-hot'],
            ['corrected_a' => 115 * .87],
        ];
        yield 'conductor: bundled beyond it' => [
            'conductor',
            ['size' => '3', 'ocpd_a' => 100, 'ccc' => 41] + $cu,
            ['ampacity-too-low'],
            ['terminal-too-hot'],
            ['adjustment_factor' => .35],
        ];
        yield 'conductor: bundled in a nipple' => [
            'conductor',
            ['size' => '3', 'ocpd_a' => 100, 'ccc' => 41, 'nipple' => true] + $cu,
            [],
            ['ampacity-too-low'],
            ['adjustment_factor' => 1],
        ];
        yield 'conductor: too hot for the insulation by the table' => [
            'conductor',
            ['size' => '3', 'ambient_c' => 86] + $cu,
            ['ambient-too-hot', 'ampacity-too-low'],
            [],
            ['ambient_factor' => 0],
        ];
        yield 'conductor: the last row of the table' => [
            'conductor',
            ['size' => '3', 'ambient_c' => 85] + $cu,
            [],
            ['ambient-too-hot'],
            ['ambient_factor' => .29],
        ];
        yield 'conductor: too hot by the formula' => [
            'conductor',
            ['size' => '3', 'ambient_c' => 90, 'ambient_method' => 'formula'] + $cu,
            ['ambient-too-hot'],
            [],
        ];
        yield 'conductor: by the formula' => [
            'conductor',
            ['size' => '3', 'ambient_c' => 45, 'ambient_method' => 'formula'] + $cu,
            [],
            ['ambient-too-hot'],
            ['ambient_factor' => sqrt(45 / 60)],
        ];
        yield 'conductor: nothing carries it' => [
            'conductor',
            ['material' => 'cu', 'noncontinuous_a' => 2000],
            ['no-size-fits'],
            ['terminal-too-hot', 'ampacity-too-low'],
            ['size' => null, 'ampacity_a' => null],
        ];
        yield 'conductor: the 83 % asked for below a hundred' => [
            'conductor',
            ['material' => 'cu', 'noncontinuous_a' => 80, 'ocpd_a' => 90, 'dwelling_83pct' => true],
            ['dwelling-83-not-applicable'],
            ['dwelling-83-used'],
        ];
        yield 'conductor: the 83 % on four hundred' => [
            'conductor',
            ['material' => 'cu', 'noncontinuous_a' => 300, 'ocpd_a' => 400, 'dwelling_83pct' => true],
            ['dwelling-83-used'],
            ['dwelling-83-not-applicable'],
            ['required_terminal_a' => 332.0],
        ];
        yield 'conductor: the 83 % beyond it' => [
            'conductor',
            ['material' => 'cu', 'noncontinuous_a' => 300, 'ocpd_a' => 450, 'dwelling_83pct' => true],
            ['dwelling-83-not-applicable'],
            ['dwelling-83-used'],
        ];
        yield 'conductor: a breaker below the load' => ['conductor', ['size' => '1', 'ocpd_a' => 90] + $cu, ['ocpd-below-load'], []];
        yield 'conductor: a breaker that is no standard one' => [
            'conductor',
            ['size' => '1', 'ocpd_a' => 105] + $cu,
            ['ocpd-not-standard'],
            ['ocpd-below-load'],
        ];
        yield 'conductor: parallel below 1/0' => [
            'conductor',
            ['size' => '1', 'sets' => 2, 'ocpd_a' => 100] + $cu,
            ['parallel-too-small'],
            [],
        ];
        yield 'conductor: parallel from 1/0' => [
            'conductor',
            ['size' => '1/0', 'sets' => 2, 'ocpd_a' => 100] + $cu,
            [],
            ['parallel-too-small'],
        ];
        yield 'conductor: fourteen on twenty' => [
            'conductor',
            ['material' => 'cu', 'size' => '14', 'noncontinuous_a' => 15, 'ocpd_a' => 20, 'terminal_c' => 75],
            ['small-conductor-limit'],
            ['ocpd-too-large'],
        ];
        yield 'conductor: fourteen on twenty for a motor' => [
            'conductor',
            ['material' => 'cu', 'size' => '14', 'noncontinuous_a' => 15, 'ocpd_a' => 20, 'small_conductor_exempt' => true],
            [],
            ['small-conductor-limit'],
        ];
        $iec = ['system' => 'iec', 'material' => 'cu'];
        yield 'metric: within' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 50, 'ocpd_a' => 50],
            [],
            ['ampacity-too-low', 'ocpd-too-large'],
            ['ampacity_a' => 57],
        ];
        yield 'metric: over it' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 58, 'ocpd_a' => 63],
            ['ampacity-too-low', 'ocpd-too-large'],
            [],
        ];
        yield 'metric: a fuse lets more through' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 50, 'ocpd_a' => 50, 'device' => 'gg_fuse'],
            [],
            ['ocpd-too-large'],
            ['ocpd_max_a' => 57 * 1.45 / 1.6],
        ];
        yield 'metric: a small fuse more still' => [
            'conductor',
            $iec + ['size' => '1.5', 'noncontinuous_a' => 10, 'ocpd_a' => 13, 'device' => 'gg_fuse'],
            [],
            ['ocpd-too-large'],
            ['ocpd_max_a' => 17.5 * 1.45 / 1.9],
        ];
        yield 'metric: nothing carries it' => ['conductor', $iec + ['noncontinuous_a' => 900], ['no-size-fits'], ['ampacity-too-low']];
        yield 'metric: too hot for PVC' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 5, 'ambient_c' => 61],
            ['ambient-too-hot'],
            [],
        ];
        yield 'metric: not for XLPE' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 5, 'ambient_c' => 80, 'insulation_c' => 90],
            [],
            ['ambient-too-hot'],
            ['ambient_factor' => .41],
        ];
        yield 'metric: twenty circuits bunched' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 5, 'circuits' => 20],
            [],
            ['grouping-over-table'],
            ['grouping_factor' => .38],
        ];
        yield 'metric: twenty-one circuits bunched' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 5, 'circuits' => 21],
            ['grouping-over-table'],
            [],
            ['grouping_factor' => .38],
        ];
        yield 'metric: twenty-one in one layer' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 5, 'circuits' => 21, 'grouping' => 'single_layer'],
            [],
            ['grouping-over-table'],
            ['grouping_factor' => .70],
        ];
        yield 'metric: two in parallel' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 80, 'sets' => 2],
            ['parallel-sharing'],
            [],
            ['ampacity_a' => 114],
        ];
        yield 'metric: a breaker below the load' => [
            'conductor',
            $iec + ['size' => '10', 'noncontinuous_a' => 50, 'ocpd_a' => 40],
            ['ocpd-below-load'],
            [],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function groundings(): iterable
    {
        $egc = static fn(array $egc): array => ['egc' => $egc + ['ocpd_a' => 200, 'material' => 'cu']];
        yield 'grounding: smaller than the least given' => [
            'grounding',
            $egc(['min_size' => '3/0', 'installed_size' => '2/0']),
            ['ungrounded-below-minimum'],
            ['egc-upsized'],
            ['egc.ratio' => 1, 'egc.size' => '6'],
        ];
        yield 'grounding: larger for the drop' => [
            'grounding',
            $egc(['min_size' => '3/0', 'installed_size' => '250']),
            ['egc-upsized'],
            ['egc-capped'],
            ['egc.size' => '4', 'egc.required_kcmil' => 26.24 * 250 / 167.8],
        ];
        yield 'grounding: capped by the conductors in its raceway' => [
            'grounding',
            $egc(['ocpd_a' => 400, 'min_size' => '1/0', 'min_sets' => 1, 'installed_size' => '1/0', 'sets' => 4, 'raceways' => 4]),
            ['egc-capped', 'parallel-egc-each-raceway'],
            ['egc-over-table'],
            ['egc.size' => '1/0', 'egc.capped' => true, 'egc.per_raceway' => 4],
        ];
        yield 'grounding: beyond the table' => [
            'grounding',
            $egc([
                'ocpd_a' => 4000,
                'min_size' => '500',
                'installed_size' => '750',
                'min_sets' => 1,
                'sets' => 12,
                'ungrounded_material' => 'al',
            ]),
            ['egc-over-table'],
            ['egc-capped'],
            ['egc.size' => null],
        ];
        yield 'grounding: one that is too small' => ['grounding', $egc(['egc_size' => '8']), ['egc-too-small'], [], ['egc.ok' => false]];
        yield 'grounding: one that is just right' => ['grounding', $egc(['egc_size' => '6']), [], ['egc-too-small'], ['egc.ok' => true]];
        $gec = static fn(array $gec): array => [
            'gec' => $gec + ['ungrounded_material' => 'cu', 'ungrounded_size' => '2/0', 'material' => 'cu'],
        ];
        yield 'grounding: electrode conductor too small' => [
            'grounding',
            $gec(['installed_size' => '6']),
            ['gec-too-small'],
            [],
            ['gec.size' => '4'],
        ];
        yield 'grounding: a rod asks for six at most' => [
            'grounding',
            $gec(['ungrounded_size' => '750', 'electrode' => 'rod', 'installed_size' => '6']),
            [],
            ['gec-too-small'],
            ['gec.size' => '6', 'gec.table_size' => '2/0'],
        ];
        yield 'grounding: aluminium in concrete' => [
            'grounding',
            $gec(['electrode' => 'concrete_encased', 'material' => 'al']),
            ['aluminium-in-concrete'],
            ['aluminium-near-earth'],
        ];
        yield 'grounding: aluminium to a rod' => [
            'grounding',
            $gec(['electrode' => 'rod', 'material' => 'al']),
            ['aluminium-near-earth'],
            ['aluminium-in-concrete'],
        ];
        yield 'grounding: the last row but one of copper' => [
            'grounding',
            $gec(['ungrounded_size' => '500', 'sets' => 2, 'installed_size' => '2/0']),
            [],
            ['gec-too-small'],
            ['gec.total_kcmil' => 1000, 'gec.size' => '2/0'],
        ];
        yield 'grounding: the last row of copper' => [
            'grounding',
            $gec(['ungrounded_size' => '600', 'sets' => 2]),
            [],
            [],
            ['gec.size' => '3/0'],
        ];
        $jumper = static fn(array $jumper): array => [
            'bonding_jumper' => $jumper + ['ungrounded_material' => 'cu', 'ungrounded_size' => '600', 'material' => 'cu'],
        ];
        yield 'grounding: a jumper by the table' => [
            'grounding',
            $jumper([]),
            [],
            ['mixed-material-jumper'],
            ['bonding_jumper.rule' => 'table', 'bonding_jumper.size' => '1/0'],
        ];
        yield 'grounding: a jumper by an eighth' => [
            'grounding',
            $jumper(['sets' => 2]),
            [],
            ['mixed-material-jumper'],
            ['bonding_jumper.rule' => '12.5pct', 'bonding_jumper.size' => '3/0'],
        ];
        yield 'grounding: an eighth of another metal' => [
            'grounding',
            $jumper(['sets' => 2, 'material' => 'al']),
            ['mixed-material-jumper'],
            [],
        ];
        yield 'grounding: each raceway for itself' => [
            'grounding',
            $jumper(['sets' => 2, 'raceways' => 2]),
            [],
            [],
            ['bonding_jumper.rule' => 'table', 'bonding_jumper.per_raceway' => 2],
        ];
        yield 'grounding: a jumper too small' => ['grounding', $jumper(['installed_size' => '1']), ['bonding-jumper-too-small'], []];
    }

    /** @return iterable<string, array<mixed>> */
    public static function raceways(): iterable
    {
        $of = static fn(array $items, array $more = []): array => [
            'raceway' => ['type' => 'emt', 'trade_size' => '1'],
            'items' => $items,
        ] + $more;
        $thhn = static fn(string $size, int $qty): array => ['kind' => 'thhn', 'size' => $size, 'qty' => $qty];
        yield 'raceway: two have less room than three' => ['raceway_fill', $of([$thhn('4', 2)]), [], [], ['limit_pct' => 31]];
        yield 'raceway: one has most' => ['raceway_fill', $of([$thhn('4', 1)]), [], [], ['limit_pct' => 53]];
        yield 'raceway: a nipple' => ['raceway_fill', $of([$thhn('4', 2)], ['nipple' => true]), [], [], ['limit_pct' => 60]];
        yield 'raceway: too full' => [
            'raceway_fill',
            $of([$thhn('4', 5)]),
            ['fill-over-limit'],
            ['no-trade-size-fits'],
            ['min_trade_size' => '1-1/4'],
        ];
        yield 'raceway: no size takes it' => [
            'raceway_fill',
            $of([$thhn('500', 20)]),
            ['fill-over-limit', 'no-trade-size-fits'],
            [],
            ['min_trade_size' => null],
        ];
        $compare = static fn(string $trade, int $a): array => [
            'raceway' => ['type' => 'lfmc', 'trade_size' => $trade],
            'items' => [$thhn('4/0', 3)],
            'compare' => ['ocpd_a' => $a, 'dwelling_83pct' => true],
        ];
        yield 'raceway: copper goes in, aluminium does not' => [
            'raceway_fill',
            $compare('1-1/2', 200),
            ['aluminium-does-not-fit', 'copper-goes-smaller'],
            ['compare-nothing-fits'],
            ['compare.cu.size' => '2/0', 'compare.al.size' => '4/0', 'compare.cu.fits' => true, 'compare.al.fits' => false],
        ];
        yield 'raceway: neither goes in' => ['raceway_fill', $compare('1', 200), ['compare-nothing-fits'], ['aluminium-does-not-fit']];
        yield 'raceway: no aluminium of the list' => [
            'raceway_fill',
            $compare('4', 400),
            ['aluminium-does-not-fit'],
            ['compare-nothing-fits'],
            ['compare.al.size' => null, 'compare.al.fits' => false, 'compare.cu.size' => '400'],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function boxes(): iterable
    {
        $volume = static fn(float $in3, array $more = []): array => [
            'mode' => 'volume',
            'box_volume_in3' => $in3,
            'conductors' => [['size' => '12', 'qty' => 8]],
        ] + $more;
        yield 'box: on its limit' => ['pull_box', $volume(18), [], ['box-overfilled'], ['required_in3' => 18, 'spare_in3' => 0]];
        yield 'box: over it' => ['pull_box', $volume(17.9), ['box-overfilled'], [], ['fits' => false]];
        yield 'box: clamps, fittings, a device' => [
            'pull_box',
            $volume(30, ['clamps' => true, 'support_fittings' => 1, 'devices' => [['largest_size' => '12', 'gangs' => 1]]]),
            [],
            ['box-overfilled'],
            ['required_in3' => 18 + 2.25 + 2.25 + 4.5],
        ];
        yield 'box: four grounds are one' => [
            'pull_box',
            $volume(30, ['egc' => [['size' => '12', 'qty' => 4]]]),
            [],
            [],
            ['required_in3' => 20.25],
        ];
        yield 'box: a fifth is a quarter more' => [
            'pull_box',
            $volume(30, ['egc' => [['size' => '12', 'qty' => 5]]]),
            [],
            [],
            ['required_in3' => 18 + 2.25 * 1.25],
        ];
        yield 'box: any number is one by the older rule' => [
            'pull_box',
            $volume(30, ['egc' => [['size' => '12', 'qty' => 9]], 'egc_rule' => 'single']),
            [],
            [],
            ['required_in3' => 20.25],
        ];
        $pull = static fn(string $from, string $to, string $size, array $more = []): array => [
            'mode' => 'raceways',
            'box' => ['w_in' => 12, 'h_in' => 12, 'd_in' => 8],
            'raceways' => [['id' => 'a', 'wall' => $from, 'trade_size' => '2'], ['id' => 'b', 'wall' => $to, 'trade_size' => '2']],
            'pulls' => [$more + ['from' => 'a', 'to' => 'b', 'largest_size' => $size]],
        ];
        yield 'box: from the back, by the largest conductor' => [
            'pull_box',
            $pull('back', 'top', '750'),
            [],
            ['box-too-small'],
            ['required_d_in' => 8],
        ];
        yield 'box: straight through' => [
            'pull_box',
            $pull('left', 'right', '4'),
            ['box-too-small'],
            ['spacing-not-given'],
            ['required_w_in' => 16],
        ];
        yield 'box: small conductors ask for volume' => [
            'pull_box',
            $pull('left', 'right', '6'),
            ['small-conductors-use-volume'],
            ['box-too-small'],
            ['required_w_in' => 0],
        ];
        yield 'box: too near' => [
            'pull_box',
            $pull('left', 'top', '4', ['spacing_in' => 11.9]),
            ['raceway-spacing-short'],
            ['spacing-not-given'],
        ];
        yield 'box: just far enough' => [
            'pull_box',
            $pull('left', 'top', '4', ['spacing_in' => 12]),
            [],
            ['raceway-spacing-short', 'spacing-not-given'],
        ];
        yield 'box: a splice' => [
            'pull_box',
            $pull('left', 'right', '4', ['splice' => true]),
            ['splice-extension', 'spacing-not-given'],
            ['box-too-small'],
            ['required_w_in' => 12],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function torques(): iterable
    {
        $lug = static fn(array $point, array $more = []): array => $more + [
            'work_date' => '2026-11-23',
            'points' => [$point + ['id' => 'a', 'conductor_size' => '4/0', 'screw' => 'hex_socket', 'socket_in' => '5/16']],
        ];
        $in = static fn(float $value): array => ['recorded' => ['value' => $value, 'unit' => 'in_lb']];
        $tool = ['tool' => ['calibrated_on' => '2026-01-01']];
        yield 'torque: on its lower limit' => [
            'torque',
            $lug($in(247.5) + ['mark' => 'applied'], $tool),
            [],
            ['torque-low', 'mark-not-applied', 'tool-not-recorded'],
            ['points.0.verdict' => 'accept', 'points.0.action' => 'none'],
        ];
        yield 'torque: below it' => [
            'torque',
            $lug($in(247.4)),
            ['torque-low', 'tool-not-recorded'],
            ['mark-not-applied'],
            ['points.0.action' => 're_torque'],
        ];
        yield 'torque: on its upper limit, no mark' => [
            'torque',
            $lug($in(302.5), $tool),
            ['mark-not-applied'],
            ['torque-high', 'tool-not-recorded'],
            ['points.0.action' => 'mark', 'points.0.verdict' => 'accept'],
        ];
        yield 'torque: above it' => [
            'torque',
            $lug($in(302.6), $tool),
            ['torque-high'],
            ['mark-not-applied'],
            ['points.0.action' => 'inspect_replace', 'points.0.verdict' => 'reject'],
        ];
        yield 'torque: nobody knows the value' => [
            'torque',
            ['work_date' => '2026-11-23', 'points' => [['id' => 'a', 'conductor_size' => '1', 'screw' => 'slotted_small']]],
            ['no-torque-value', 'torque-not-recorded'],
            ['maker-torque-missing'],
            ['points.0.action' => 'find_value', 'points.0.source' => 'none'],
        ];
        yield 'torque: the last row of the table' => [
            'torque',
            ['work_date' => '2026-11-23', 'points' => [['id' => 'a', 'conductor_size' => '750', 'screw' => 'split_bolt']]],
            ['maker-torque-missing'],
            [],
            ['points.0.target_in_lb' => 1000],
        ];
        yield 'torque: on the last day of the tool' => [
            'torque',
            $lug($in(275), ['tool' => ['calibrated_on' => '2025-11-23']]),
            ['tool-calibration-due-soon'],
            ['tool-calibration-expired'],
            ['calibration_due' => '2026-11-23'],
        ];
        yield 'torque: a day after' => [
            'torque',
            $lug($in(275) + ['mark' => 'applied'], ['tool' => ['calibrated_on' => '2025-11-22']]),
            ['tool-calibration-expired'],
            ['tool-calibration-due-soon'],
            ['all_accepted' => false],
        ];
        yield 'torque: thirty-one days before' => [
            'torque',
            $lug($in(275), ['tool' => ['calibrated_on' => '2025-12-24']]),
            [],
            ['tool-calibration-due-soon', 'tool-calibration-expired'],
        ];
        yield 'torque: outside of the tool\'s range' => [
            'torque',
            $lug($in(275), ['tool' => ['calibrated_on' => '2026-01-01', 'max_in_lb' => 274]]),
            ['tool-out-of-range'],
            [],
        ];
        yield 'torque: a mark that moved, left so' => [
            'torque',
            $lug(['mark' => 'moved'], ['visit' => 'revisit']),
            ['mark-moved'],
            ['mark-moved-retorqued'],
        ];
        yield 'torque: a mark that moved, torqued' => [
            'torque',
            $lug($in(275) + ['mark' => 'moved'], ['visit' => 'revisit'] + $tool),
            ['mark-moved-retorqued'],
            ['mark-moved'],
        ];
        yield 'torque: a new line over an unproved joint' => [
            'torque',
            $lug(['mark' => 'remarked'], ['visit' => 'revisit']),
            ['remarked-without-torque'],
            [],
        ];
        yield 'torque: a sound mark is left alone' => [
            'torque',
            $lug(['mark' => 'aligned'], ['visit' => 'revisit']),
            [],
            ['torque-not-recorded'],
        ];
        yield 'torque: a sound mark, and all are torqued again' => [
            'torque',
            $lug(['mark' => 'aligned'], ['visit' => 'revisit', 'revisit_school' => 'retorque_all']),
            ['torque-not-recorded'],
            [],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function colours(): iterable
    {
        $on = static fn(
            string $conductor,
            string $terminal,
            string $colour,
            ?string $reid = null,
            ?string $size = null,
        ): array => [
            'conductor' => $conductor,
            'terminal' => $terminal,
            'colour' => $colour,
        ] + ($reid === null ? [] : ['reid' => $reid]) + ($size === null ? [] : ['size' => $size]);
        $rest = [$on('L1', 'L1', 'black'), $on('L2', 'L2', 'red'), $on('N', 'N', 'white'), $on('G', 'G', 'bare')];
        $but = static fn(int $i, array $line, array $more = []): array => $more + [
            'system' => 'us_split_120_240',
            'landings' => array_values(array_replace($rest, [$i => $line])),
        ];
        $without = static fn(int $i, array $more = []): array => $more + [
            'system' => 'us_split_120_240',
            'landings' => array_values(array_diff_key($rest, [$i => 1])),
        ];
        yield 'colours: all as they should be' => [
            'colours',
            ['system' => 'us_split_120_240', 'landings' => $rest],
            ['confirm-by-test'],
            ['neutral-missing', 'ground-missing', 'phase-missing'],
            ['passes' => true],
        ];
        yield 'colours: a hot on the ground bar' => ['colours', $but(0, $on('L1', 'G', 'black')), ['hot-on-ground'], ['hot-on-neutral']];
        yield 'colours: the neutral on the ground bar' => ['colours', $but(2, $on('N', 'G', 'white')), ['neutral-on-ground'], []];
        yield 'colours: the ground on a phase' => ['colours', $but(3, $on('G', 'L1', 'bare')), ['ground-on-phase'], []];
        yield 'colours: the ground on the neutral bar' => [
            'colours',
            $but(3, $on('G', 'N', 'bare')),
            ['ground-on-neutral-bar'],
            ['ground-on-neutral-allowed'],
        ];
        yield 'colours: where the two are joined' => [
            'colours',
            $but(3, $on('G', 'N', 'bare'), ['bonding_point' => true]),
            ['ground-on-neutral-allowed'],
            ['ground-on-neutral-bar'],
        ];
        yield 'colours: tape of the wrong kind' => [
            'colours',
            $but(2, $on('N', 'N', 'black', 'red')),
            ['reid-wrong'],
            ['unmarked-reidentified'],
        ];
        yield 'colours: the right colour with wrong tape' => [
            'colours',
            $but(2, $on('N', 'N', 'white', 'black')),
            ['reid-wrong'],
            ['unmarked-reidentified'],
        ];
        yield 'colours: no tape at all' => [
            'colours',
            $but(2, $on('N', 'N', 'black')),
            ['unmarked-reidentified'],
            ['reid-wrong', 'old-new-colours-mixed'],
        ];
        yield 'colours: tape on a small one' => ['colours', $but(2, $on('N', 'N', 'black', 'white', '6')), ['reid-too-small'], []];
        yield 'colours: tape from four on' => ['colours', $but(2, $on('N', 'N', 'black', 'white', '4')), [], ['reid-too-small']];
        yield 'colours: no neutral' => ['colours', $without(2), ['neutral-missing'], ['ground-missing'], ['missing' => ['N']]];
        yield 'colours: no neutral, and none is wanted' => ['colours', $without(2, ['neutral_present' => false]), [], ['neutral-missing']];
        yield 'colours: no ground' => ['colours', $without(3), ['ground-missing'], ['neutral-missing']];
        yield 'colours: a leg is missing' => ['colours', $without(1), ['phase-missing'], []];
        yield 'colours: both legs on one lug' => ['colours', $but(1, $on('L2', 'L1', 'red')), ['phases-joined'], ['phase-swapped']];
        yield 'colours: the legs changed over' => [
            'colours',
            ['system' => 'us_split_120_240', 'landings' => [$on('L1', 'L2', 'black'), $on('L2', 'L1', 'red'), $rest[2], $rest[3]]],
            ['phase-swapped'],
            ['phase-rolled', 'phases-joined'],
        ];
        $iec = static fn(array $phases): array => [
            'system' => 'iec_400_230',
            'landings' => [...$phases, $on('N', 'N', 'blue'), $on('G', 'G', 'green_yellow')],
        ];
        yield 'colours: the old neutral among new phases' => [
            'colours',
            $iec([$on('L1', 'L1', 'brown'), $on('L2', 'L2', 'blue'), $on('L3', 'L3', 'gray')]),
            ['old-new-colours-mixed', 'unmarked-reidentified'],
            [],
        ];
        yield 'colours: every phase one terminal on' => [
            'colours',
            $iec([$on('L1', 'L2', 'brown'), $on('L2', 'L3', 'black'), $on('L3', 'L1', 'gray')]),
            ['phase-rolled'],
            ['phase-swapped', 'wrong-rotation'],
            ['rotation' => 'correct'],
        ];
        yield 'colours: two phases changed over' => [
            'colours',
            $iec([$on('L1', 'L2', 'brown'), $on('L2', 'L1', 'black'), $on('L3', 'L3', 'gray')]),
            ['phase-swapped', 'wrong-rotation'],
            ['phase-rolled'],
            ['rotation' => 'reversed'],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function services(): iterable
    {
        $line = static fn(string $id, string $leg, string $lug, float $ft = 20): array => [
            'id' => $id,
            'leg' => $leg,
            'lug' => $lug,
            'length_ft' => $ft,
        ];
        $six = [
            $line('1', 'A', 'L1'),
            $line('2', 'A', 'L1'),
            $line('3', 'B', 'L2'),
            $line('4', 'B', 'L2'),
            $line('5', 'N', 'N'),
            $line('6', 'N', 'N'),
        ];
        $panel = [
            'id' => 'P1',
            'rating_a' => 200,
            'main_a' => 200,
            'feeder' => ['material' => 'al', 'size' => '250', 'length_ft' => 20],
            'leg_a_lug' => 'L1',
            'leg_b_lug' => 'L2',
        ];
        $of = static fn(array $change = [], array $lines = []): array => $change + [
            'service_ocpd_a' => 400,
            'switch' => ['rating_a' => 400, 'service_rated' => true, 'wires_per_lug' => 2],
            'conductor' => ['material' => 'al', 'size' => '250'],
            'line' => $lines === [] ? $six : $lines,
            'panels' => [$panel, ['id' => 'P2'] + $panel],
        ];
        yield 'service: as it should be' => [
            'service_split',
            $of(),
            ['tap-rule-used'],
            ['legs-crossed', 'service-ampacity-low', 'lug-count-unstated', 'lug-overfilled', 'panels-exceed-service'],
            ['sets' => 2, 'service_ampacity_a' => 410],
        ];
        yield 'service: conductors too small' => [
            'service_split',
            $of(['conductor' => ['material' => 'al', 'size' => '2/0']]),
            ['service-ampacity-low'],
            [],
            ['required_service_a' => 332.0],
        ];
        yield 'service: without the 83 %' => [
            'service_split',
            $of(['dwelling_83pct' => false]),
            [],
            ['service-ampacity-low'],
            ['required_service_a' => 400],
        ];
        yield 'service: a lug is empty' => [
            'service_split',
            $of([], array_slice($six, 0, 4)),
            ['lug-empty'],
            [],
            ['lugs.2.count' => 0, 'lugs.2.spread_pct' => null],
        ];
        yield 'service: one conductor on a lug' => [
            'service_split',
            $of([], [$six[0], $six[2], $six[4]]),
            [],
            ['sets-unequal', 'lug-empty', 'parallel-too-small'],
            ['lugs.0.max_share' => 1, 'lugs.0.spread_pct' => 0, 'lugs.0.worst_a' => 400, 'lugs.2.worst_a' => null],
        ];
        yield 'service: legs crossed' => [
            'service_split',
            $of([], array_replace($six, [1 => $line('2', 'B', 'L1'), 3 => $line('4', 'A', 'L2')])),
            ['legs-crossed'],
            ['both-lugs-same-leg'],
        ];
        yield 'service: both lugs the same leg' => [
            'service_split',
            $of([], array_replace($six, [2 => $line('3', 'A', 'L2'), 3 => $line('4', 'A', 'L2')])),
            ['both-lugs-same-leg'],
            ['legs-crossed'],
        ];
        yield 'service: neutral and hot changed places' => [
            'service_split',
            $of(
                [],
                array_replace(
                    $six,
                    [2 => $line('3', 'N', 'L2'), 3 => $line('4', 'N', 'L2'), 4 => $line('5', 'B', 'N'), 5 => $line('6', 'B', 'N')],
                ),
            ),
            ['neutral-lug-wrong'],
            ['legs-crossed'],
        ];
        yield 'service: a conductor less on one lug' => [
            'service_split',
            $of([], [...array_slice($six, 0, 3), $six[4], $six[5]]),
            ['sets-unequal'],
            ['lug-empty'],
        ];
        yield 'service: a neutral less' => ['service_split', $of([], array_slice($six, 0, 5)), ['neutral-sets-unequal'], []];
        yield 'service: too small to run in parallel' => [
            'service_split',
            $of(['conductor' => ['material' => 'cu', 'size' => '1']]),
            ['parallel-too-small'],
            [],
        ];
        yield 'service: the neutral too small to run in parallel' => [
            'service_split',
            $of(['conductor' => ['material' => 'al', 'size' => '250', 'neutral_size' => '1']]),
            ['parallel-too-small'],
            [],
        ];
        yield 'service: how many a lug takes is not known' => [
            'service_split',
            $of(['switch' => ['rating_a' => 400, 'service_rated' => true]]),
            ['lug-count-unstated'],
            ['lug-overfilled'],
        ];
        yield 'service: one to a lug' => [
            'service_split',
            $of(['switch' => ['rating_a' => 400, 'service_rated' => true, 'wires_per_lug' => 1]]),
            ['lug-overfilled'],
            ['lug-count-unstated'],
        ];
        yield 'service: a switch that is not for it' => [
            'service_split',
            $of(['switch' => ['rating_a' => 399, 'service_rated' => false, 'wires_per_lug' => 2]]),
            ['switch-rating-low', 'switch-not-service-rated'],
            [],
        ];
        yield 'service: bars behind too large a device' => [
            'service_split',
            $of(['panels' => [['main_a' => null, 'rating_a' => 225, 'feeder_ocpd_a' => 250] + $panel]]),
            ['panel-bus-unprotected'],
            [],
            ['panels.0.bus_protection_a' => 250],
        ];
        yield 'service: panels that disagree' => [
            'service_split',
            $of(['panels' => [$panel, ['id' => 'P2', 'leg_a_lug' => 'L2', 'leg_b_lug' => 'L1'] + $panel]]),
            ['panels-legs-swapped'],
            ['panel-legs-same-lug'],
        ];
        yield 'service: a panel with both legs on one lug' => [
            'service_split',
            $of(['panels' => [$panel, ['id' => 'P2', 'leg_b_lug' => 'L1'] + $panel]]),
            ['panel-legs-same-lug'],
            ['panels-legs-swapped'],
        ];
        yield 'service: mains that add up to more' => [
            'service_split',
            $of(['panels' => [$panel, ['id' => 'P2'] + $panel, ['id' => 'P3'] + $panel]]),
            ['panels-exceed-service'],
            [],
        ];
        yield 'service: 4/0 aluminium is no tap for 200 A' => [
            'service_split',
            $of(['panels' => [['feeder' => ['material' => 'al', 'size' => '4/0', 'length_ft' => 20]] + $panel]]),
            ['feeder-unprotected'],
            ['tap-rule-used'],
            ['panels.0.protection' => 'none'],
        ];
        yield 'service: one of unlike length' => [
            'service_split',
            $of([], array_replace($six, [1 => $line('2', 'A', 'L1', 20.3)])),
            ['parallel-unequal-length'],
            ['parallel-overload'],
            ['lugs.0.spread_pct' => 100 * .3 / 20],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function cords(): iterable
    {
        $thirty = static fn(array $change): array => $change + [
            'feed' => '30a',
            'cords' => [['size' => '10', 'length_ft' => 25]],
            'current_a' => 20,
            'ocpd_a' => 30,
        ];
        $fifty = static fn(array $change): array => $change + [
            'feed' => '50a',
            'cords' => [['size' => '6', 'length_ft' => 30]],
            'l1_a' => 30,
            'l2_a' => 20,
            'ocpd_a' => 50,
        ];
        yield 'cord: as it should be' => [
            'mobile_cable',
            $thirty([]),
            [],
            ['cord-overloaded', 'ocpd-too-large', 'drop-over-limit', 'joined-cords'],
            ['cord_ampacity_a' => 30],
        ];
        yield 'cord: a breaker too large' => ['mobile_cable', $thirty(['ocpd_a' => 35]), ['ocpd-too-large', 'cord-under-protected'], []];
        yield 'cord: two poles on thirty' => ['mobile_cable', $thirty(['ocpd_poles' => 2]), ['two-pole-on-30a'], []];
        yield 'cord: one pole on fifty' => ['mobile_cable', $fifty(['ocpd_poles' => 1]), ['ocpd-not-common-trip'], ['two-pole-on-30a']];
        yield 'cord: one pole, and one leg feeds both' => [
            'mobile_cable',
            $fifty(['ocpd_poles' => 1, 'single_leg_source' => true]),
            ['single-leg-shared-neutral'],
            ['ocpd-not-common-trip'],
            ['neutral_a' => 50, 'cord_ampacity_a' => 45],
        ];
        yield 'cord: the light leg rises' => ['mobile_cable', $fifty(['l1_a' => 40, 'l2_a' => 0]), ['leg-voltage-rise'], []];
        yield 'cord: low at the end' => ['mobile_cable', $thirty(['source_v' => 106]), ['low-voltage-margin'], ['low-voltage']];
        yield 'cord: too low at the end' => ['mobile_cable', $thirty(['source_v' => 104]), ['low-voltage'], ['low-voltage-margin']];
        yield 'cord: a loaded breaker' => ['mobile_cable', $thirty(['current_a' => 24.1]), ['load-over-80pct'], []];
        yield 'cord: on eighty per cent' => ['mobile_cable', $thirty(['current_a' => 24]), [], ['load-over-80pct']];
        yield 'cord: too much on a neutral' => [
            'mobile_cable',
            $fifty(['single_leg_source' => true, 'l1_a' => 30, 'l2_a' => 20.1]),
            ['neutral-overload', 'cord-overloaded'],
            [],
        ];
        yield 'cord: joined' => [
            'mobile_cable',
            $thirty(['cords' => [['size' => '10', 'length_ft' => 25], ['size' => '14', 'length_ft' => 10]]]),
            ['joined-cords', 'cord-under-protected', 'cord-overloaded'],
            [],
            ['cord_ampacity_a' => 18, 'total_length_ft' => 35],
        ];
        $contact = static fn(float $mv, float $a): array => $thirty([
            'connections' => [['id' => 'plug', 'drop_mv' => $mv, 'current_a' => $a]],
        ]);
        yield 'contact: good' => [
            'mobile_cable',
            $contact(33, 15),
            ['live-measurement'],
            ['contact-warm', 'contact-hot', 'low-test-current'],
            ['connections.0.grade' => 'good', 'connections.0.heat_at_rated_w' => 1.98],
        ];
        yield 'contact: warm' => ['mobile_cable', $contact(34, 15), ['contact-warm'], ['contact-hot'], ['connections.0.grade' => 'warm']];
        yield 'contact: hot' => [
            'mobile_cable',
            $contact(84, 15),
            ['contact-hot'],
            ['contact-warm'],
            ['connections.0.est_rise_k' => 8 * 84 / 15 * .9],
        ];
        yield 'contact: too little current to tell' => ['mobile_cable', $contact(5, 7.4), ['low-test-current'], []];
    }

    /** @return iterable<string, array<mixed>> */
    public static function drops(): iterable
    {
        $of = static fn(array $change): array => $change + [
            'circuit' => 'single_phase',
            'material' => 'cu',
            'size' => '12',
            'v' => 120,
            'current_a' => 16,
            'length_ft' => 50,
        ];
        yield 'drop: within' => ['voltage_drop', $of([]), [], ['drop-over-limit', 'drop-severe'], ['drop_v' => 2 * 16 * 1.98 * .05]];
        yield 'drop: over the limit' => ['voltage_drop', $of(['length_ft' => 60]), ['drop-over-limit'], ['drop-severe']];
        yield 'drop: severe' => [
            'voltage_drop',
            $of(['length_ft' => 200]),
            ['drop-severe', 'drop-over-limit', 'total-drop-over-limit'],
            [],
        ];
        yield 'drop: with what is lost before it' => [
            'voltage_drop',
            $of(['upstream_drop_pct' => 3]),
            ['total-drop-over-limit'],
            ['drop-over-limit'],
        ];
        yield 'drop: a large one without its reactance' => ['voltage_drop', $of(['size' => '4/0']), ['reactance-ignored'], []];
        yield 'drop: a large one with it' => [
            'voltage_drop',
            $of(['size' => '4/0', 'method' => 'impedance']),
            [],
            ['reactance-ignored'],
            ['x_ohm_per_kft' => .041],
        ];
        yield 'drop: the light leg rises' => [
            'voltage_drop',
            array_diff_key($of(['circuit' => 'split_phase', 'v' => 240, 'leg1_a' => 16, 'leg2_a' => 1]), ['current_a' => 1]),
            ['leg-voltage-rise'],
            [],
        ];
        yield 'drop: by circular mils' => ['voltage_drop', $of(['method' => 'k_factor']), [], [], ['r_ohm_per_kft' => 12.9 * 1000 / 6530]];
        yield 'drop: metric' => [
            'voltage_drop',
            array_diff_key($of(['system' => 'iec', 'size' => '2.5', 'v' => 230, 'length_m' => 20]), ['length_ft' => 1]),
            [],
            [],
            ['drop_v' => 2 * 16 * 22.5 / 2.5 * .02],
        ];
    }
}
