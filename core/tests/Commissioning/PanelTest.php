<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\PanelSheet;
use Escapement\Core\Commissioning\PanelSheetRow;
use Escapement\Core\Commissioning\PanelTimes;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Handover\EnclosureLabel;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\RelayLogic\AsBuilt\BuiltPanel;
use Escapement\Core\RelayLogic\AsBuilt\LampWords;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Tests\StandardPanels;
use Escapement\Core\Wire\Panel\RelayPlayReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the circuit of a changeover panel asks of its procedure and says against its sheet. */
final class PanelTest extends TestCase
{
    #[Test, DataProvider('panels')]
    public function nothing_waits_for_what_comes_later_and_no_word_is_left_unfilled(string $kind, string $key): void
    {
        $before = [];
        $options = (object) ['bank' => true, 'manual_transfer' => true];
        foreach (StandardPanels::steps($kind, $key, more: ['options' => $options]) as $id => $step) {
            self::assertMatchesRegularExpression('#^[a-z_]+/[a-zA-Z0-9.-]+$#', $id);
            self::assertSame([], array_diff($step['depends_on'], $before), $id);
            foreach (['title', 'why', 'expect', 'if_not'] as $words) {
                self::assertNotSame('', $step[$words], $id);
                self::assertStringNotContainsString('{', $step[$words], $id);
            }
            $before[] = $id;
        }
    }

    #[Test, DataProvider('panels')]
    public function it_is_rung_out_dead_and_the_load_stays_off_until_each_source_was_seen_alone(string $kind, string $key): void
    {
        $ids = array_keys($steps = StandardPanels::steps($kind, $key));
        $rung = array_values(array_filter($ids, static fn(string $id): bool => str_starts_with($id, 'dead_checks/ring-')));
        self::assertGreaterThan(count(StandardPanels::built($key)->circuit->devices) / 2, count($rung));
        foreach ($rung as $id) {
            self::assertStringContainsString('proved dead', (string) $steps[$id]['hazard'], $id);
            self::assertFalse($steps[$id]['may_skip'], $id);
        }
        $order = array_values(array_intersect($ids, [
            'energise/load-side-open', 'energise/close-utility', 'energise/first-alone', 'no_load_run/generator-rotation',
            'no_load_run/second-alone', 'simulated_outage/load-side-closed', 'simulated_outage/open',
        ]));
        self::assertSame([
            'energise/load-side-open', 'energise/close-utility', 'energise/first-alone', 'no_load_run/generator-rotation',
            'no_load_run/second-alone', 'simulated_outage/load-side-closed', 'simulated_outage/open',
        ], $order);
        self::assertContains('no_load_run/generator-rotation', $steps['no_load_run/second-alone']['depends_on'], 'phase order first');
        self::assertContains('energise/load-side-open', $steps['no_load_run/second-alone']['depends_on']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function panels(): iterable
    {
        return StandardPanels::all();
    }

    #[Test]
    public function a_circuit_with_a_stop_is_not_energized(): void
    {
        $stops = ['Both can close: K1 and K2 meet.'];
        $steps = StandardPanels::steps('K8', 'b', ['stops' => $stops]);
        self::assertSame($stops, $steps['inspect/circuit-proved']['stopped_by']);
        self::assertTrue($steps['inspect/circuit-proved']['hold']);
        self::assertContains('inspect/circuit-proved', $steps['energise/close-utility']['depends_on']);
        self::assertArrayNotHasKey('stopped_by', StandardPanels::steps('K8', 'b')['inspect/circuit-proved']);
    }

    #[Test]
    public function each_phase_has_the_time_that_the_circuit_gives_it(): void
    {
        // L1 feeds the coils: K1 lets go with it. L2 and L3 are lost for the phase relay only, 0.1 s later.
        $band = static fn(string $leg): array => StandardPanels::steps('K7', 'a')["simulated_outage/phase-loss-first-$leg"]['band'];
        self::assertSame(0.035, $band('L1')['nominal']);
        self::assertSame(0.14, $band('L2')['nominal']);
        self::assertSame(1.14, $band('L3')['max']);
        $slow = StandardPanels::steps('K7', 'a', ['times' => ['PF1' => ['trip_ms' => 9000, 'loss_trip_ms' => 9000]]]);
        self::assertSame(9.04, $slow['simulated_outage/phase-loss-first-L2']['band']['nominal']);
        self::assertSame(8.04, $slow['simulated_outage/phase-loss-first-L2']['band']['min']);
    }

    #[Test]
    public function a_phase_that_nothing_watches_is_a_stop_of_its_step(): void
    {
        $blind = StandardPanels::steps('K7', 'a', ['times' => ['PF1' => ['under_pct' => null, 'loss_pct' => null, 'sequence' => false]]]);
        self::assertArrayNotHasKey('stopped_by', $blind['simulated_outage/phase-loss-first-L1'], 'its coil is on L1');
        self::assertStringContainsString('L2 of t1', $blind['simulated_outage/phase-loss-first-L2']['stopped_by'][0]);
    }

    #[Test]
    public function a_dial_that_is_turned_asks_again_and_other_words_do_not(): void
    {
        $then = StandardPanels::steps('K8', 'b');
        $now = StandardPanels::steps('K8', 'b', ['times' => ['PFM' => ['under_pct' => 80]]]);
        self::assertNotSame($then['inspect/dials-PFM']['expected'], $now['inspect/dials-PFM']['expected']);
        self::assertSame($then['inspect/dials-PFG']['expected'], $now['inspect/dials-PFG']['expected']);
        self::assertStringContainsString('under 80 %', $now['inspect/dials-PFM']['expect']);
        self::assertSame('30 s, on-delay', $now['inspect/dials-T1']['expect']);
    }

    #[Test]
    public function the_handle_is_tried_where_there_is_one_or_may_be_one(): void
    {
        self::assertArrayHasKey('manual_transfer/handle', StandardPanels::steps('K9', 'd'));
        self::assertArrayNotHasKey('manual_transfer/handle', StandardPanels::steps('K8', 'b'));
        $unknown = ['panel' => null];
        $steps = StandardPanels::steps('K9', 'd', more: $unknown);
        self::assertArrayHasKey('manual_transfer/handle', $steps, 'nobody has drawn it: it is looked for');
        self::assertArrayHasKey('inspect/circuit-by-maker', $steps);
        self::assertArrayNotHasKey('inspect/circuit-proved', $steps);
        self::assertArrayNotHasKey('manual_transfer/handle', StandardPanels::steps('K8', 'b', more: $unknown));
    }

    #[Test]
    public function a_bank_comes_back_after_its_discharge_and_what_nobody_knows_is_not_judged(): void
    {
        $options = (object) ['bank' => true, 'bank_reconnect_s' => 60];
        $band = StandardPanels::steps('K9', 'd', more: ['options' => $options])['return/bank-back'];
        self::assertSame([60.0, 60.0], [(float) $band['band']['min'], (float) $band['band']['stop_under']]);
        self::assertArrayNotHasKey('stopped_by', $band);
        $unknown = StandardPanels::steps('K9', 'd', more: ['options' => (object) ['bank' => true]])['return/bank-back'];
        self::assertStringContainsString('not known', $unknown['stopped_by'][0]);
        self::assertArrayNotHasKey('return/bank-back', StandardPanels::steps('K9', 'd'));
    }

    #[Test]
    public function each_position_of_the_selector_stands_as_the_circuit_plays_it(): void
    {
        $steps = StandardPanels::steps('K8', 'c');
        self::assertStringStartsWith('The load is dark.', $steps['manual_transfer/selector-0']['expect']);
        self::assertStringStartsWith('The load is on gen.', $steps['manual_transfer/selector-II']['expect']);
        self::assertStringStartsWith('The load is on mains.', $steps['manual_transfer/selector-auto']['expect']);
    }

    #[Test, DataProvider('panels')]
    public function the_sheet_that_a_circuit_proposes_agrees_with_it_and_the_template_does_not(string $kind, string $key): void
    {
        $template = new SheetTemplate(InstallationKind::from($kind));
        $built = StandardPanels::built($key);
        $sheet = new PanelSheet($template->plant(), $template->settings(), $built);
        self::assertNotSame([], $sheet->differences());
        self::assertSame([], (new PanelSheet($template->plant(), $sheet->proposed(), $built))->differences());
    }

    #[Test]
    public function one_dial_beside_the_sheet_is_one_difference_and_it_is_told_with_both_figures(): void
    {
        $template = new SheetTemplate(InstallationKind::from('K7'));
        $agreed = (new PanelSheet($template->plant(), $template->settings(), StandardPanels::built('a')))->proposed();
        $turned = StandardPanels::built('a', ['PF2' => ['over_pct' => 110]]);
        self::assertSame(
            ['Second source, over-voltage: the sheet says 115 %, back at 112 %, the circuit 110 %, back at 107 %.'],
            (new PanelSheet($template->plant(), $agreed, $turned))->differences(),
        );
        $late = StandardPanels::built('a', ['PF1' => ['reset_ms' => 30_000]]);
        $names = array_map(
            static fn(PanelSheetRow $row): string => $row->what,
            array_values(array_filter(
                (new PanelSheet($template->plant(), $agreed, $late))->rows(),
                static fn(PanelSheetRow $row): bool => ! $row->agrees,
            )),
        );
        self::assertSame(['Back to return'], $names);
    }

    #[Test]
    public function what_stands_against_the_sheet_stands_against_its_step(): void
    {
        self::assertNotSame([], StandardPanels::steps('K8', 'b')['inspect/sheet-agrees']['stopped_by'] ?? []);
    }

    #[Test]
    public function a_circuit_whose_first_source_has_an_engine_cannot_be_lost_and_says_so_at_its_place(): void
    {
        try {
            StandardPanels::steps('K8', 'b', ['supplies' => ['mains' => ['engine' => ['cooldown_ms' => 1]]]]);
            self::fail('It was taken.');
        } catch (BadInput $bad) {
            self::assertSame('/panel/circuit', $bad->path);
        }
    }

    /** @param array<string, int> $marks */
    #[Test, DataProvider('timed')]
    public function a_measured_time_is_held_against_the_circuit_with_the_hand_forgiven(array $marks, bool $agrees): void
    {
        $template = new SheetTemplate(InstallationKind::from('K8'));
        $result = (new TimingVerdict($template->plant(), $template->settings(), 500))->judge(array_map(
            static fn(string $event, int $atMs): Mark => new Mark(MarkEvent::from($event), $atMs, $event, false),
            array_keys($marks),
            $marks,
        ));
        self::assertSame($agrees, (new PanelTimes(StandardPanels::built('b'), 500))->agrees($result->runs[0]));
    }

    /** @return iterable<string, array{array<string, int>, bool}> */
    public static function timed(): iterable
    {
        $good = ['utility_off' => 0, 'start_signal' => 100, 'engine_running' => 5600, 'transferred' => 6600];
        yield 'as the circuit gives it' => [$good, true];
        yield 'a second and the hand late' => [['start_signal' => 1515] + $good, true];
        yield 'a millisecond more' => [['start_signal' => 1516] + $good, false];
        yield 'the generator by its last crank' => [['engine_running' => 45_600, 'transferred' => 46_600] + $good, true];
        yield 'the load later than the last crank' => [['transferred' => 49_100] + $good, false];
        yield 'back too soon' => [$good + ['utility_on' => 60_000, 'retransferred' => 80_000], false];
        yield 'back by its dial' => [$good + ['utility_on' => 60_000, 'retransferred' => 91_000], true];
    }

    #[Test]
    public function nothing_measured_says_nothing(): void
    {
        $template = new SheetTemplate(InstallationKind::from('K8'));
        $result = (new TimingVerdict($template->plant(), $template->settings(), 500))
            ->judge([new Mark(MarkEvent::from('utility_off'), 0, 'a', false)]);
        self::assertNull((new PanelTimes(StandardPanels::built('b'), 500))->agrees($result->runs[0]));
    }

    #[Test]
    public function a_lamp_means_what_it_does_on_each_source_alone(): void
    {
        self::assertSame(
            ['H1 lit: the load is on the first supply.', 'H2 lit: the load is on the second supply.'],
            LampWords::of(StandardPanels::built('a'), 'the first supply', 'the second supply'),
        );
        self::assertSame([], LampWords::of(StandardPanels::built('c'), 'the utility', 'the generator'));
    }

    #[Test]
    public function its_label_says_that_one_source_open_leaves_the_control_circuit_live(): void
    {
        $label = EnclosureLabel::ofPanel(StandardPanels::built('b'), 'the utility', 'the generator');
        self::assertStringContainsString('the utility (mains) and from the generator (gen)', $label->hazard);
        self::assertStringContainsString('proved dead', $label->hazard);
        self::assertStringContainsString('START', $label->lines[0]);
        self::assertContains('HG lit: the load is on the generator.', $label->lines);
    }

    /** @param array<string, mixed> $dial of the first source, over what the sheet says */
    #[Test, DataProvider('dials')]
    public function a_dial_agrees_with_the_sheet_within_its_slack(array $dial, bool $agrees): void
    {
        $template = new SheetTemplate(InstallationKind::from('K7'));
        $agreed = (new PanelSheet($template->plant(), $template->settings(), StandardPanels::built('a')))->proposed();
        $limits = array_filter(
            (new PanelSheet($template->plant(), $agreed, StandardPanels::built('a', ['PF1' => $dial])))->rows(),
            static fn(PanelSheetRow $row): bool => str_starts_with($row->what, 'First source') && ! $row->agrees,
        );
        $said = implode(' ', array_map(static fn(PanelSheetRow $row): string => $row->sentence(), $limits));
        self::assertSame($agrees, $limits === [], $said);
    }

    /** @return iterable<string, array{array<string, mixed>, bool}> */
    public static function dials(): iterable
    {
        yield 'as it is' => [['under_pct' => 85], true];
        yield 'under-voltage, a hair up' => [['under_pct' => 85.05], true];
        yield 'under-voltage, more' => [['under_pct' => 85.06], false];
        yield 'under-voltage, a hair down' => [['under_pct' => 84.95], true];
        yield 'under-voltage, less' => [['under_pct' => 84.94], false];
        yield 'over-voltage, a hair up' => [['over_pct' => 115.05], true];
        yield 'over-voltage, more' => [['over_pct' => 115.06], false];
        yield 'hysteresis, a hair' => [['hysteresis_pct' => 3.05], true];
        yield 'hysteresis, more' => [['hysteresis_pct' => 3.06], false];
        yield 'unbalance, where the sheet has none' => [['unbalance_pct' => 10], false];
        yield 'no over-voltage' => [['over_pct' => null], false];
        yield 'phase order not watched' => [['sequence' => false], false];
        yield 'trip, a tenth of a second later' => [['trip_ms' => 600], true];
        yield 'trip, a millisecond more' => [['trip_ms' => 601], false];
        yield 'trip, a tenth earlier' => [['trip_ms' => 400], true];
        yield 'trip, a millisecond less' => [['trip_ms' => 399], false];
    }

    #[Test]
    public function a_source_that_no_relay_watches_is_said_to_be_watched_by_none(): void
    {
        $template = new SheetTemplate(InstallationKind::from('K7'));
        $circuit = StandardCircuits::all()['a'];
        $circuit['circuit']['devices'] = array_values(array_filter(
            $circuit['circuit']['devices'],
            static fn(array $device): bool => $device['id'] !== 'PF2',
        ));
        $circuit['circuit']['rungs'] = json_decode(
            str_replace('{"no":"PF2"},', '', json_encode($circuit['circuit']['rungs'], JSON_THROW_ON_ERROR)),
            true,
        );
        $panel = BuiltPanel::of((new RelayPlayReader())->input(Node::fromArray([
            'circuit' => $circuit['circuit'], 'supplies' => (object) $circuit['supplies'], 'times' => (object) [], 'until_ms' => 1,
        ])));
        self::assertContains(
            'Second source, sensing: the sheet says limits are set, the circuit no phase relay watches it.',
            (new PanelSheet($template->plant(), $template->settings(), $panel))->differences(),
        );
    }
}
