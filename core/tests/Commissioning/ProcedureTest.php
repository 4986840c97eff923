<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\Band;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Stage;
use Escapement\Core\Commissioning\Procedure\StepKind;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Topology\OneLineWriter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ProcedureTest extends TestCase
{
    private const ALL = [
        'manual_transfer' => true,
        'load_bank' => true,
        'test_button' => true,
        'burns_gas' => true,
        'must_run' => ['Alarm', 'Well pump'],
    ];

    #[Test, DataProvider('kinds')]
    public function the_ids_are_few_words_that_differ_and_nothing_waits_for_what_is_not_there_or_comes_later(string $kind): void
    {
        $steps = $this->steps($kind, self::ALL);
        $ids = array_column($steps, 'id');
        self::assertSame($ids, array_values(array_unique($ids)));
        $before = [];
        foreach ($steps as $step) {
            self::assertMatchesRegularExpression('#^[a-z_]+/[a-zA-Z0-9.-]+$#', $step['id']);
            self::assertSame([], array_diff($step['depends_on'], $before), $step['id']);
            $before[] = $step['id'];
        }
    }

    #[Test, DataProvider('kinds')]
    public function a_hold_point_is_never_skipped_and_everything_in_later_stages_waits_for_it(string $kind): void
    {
        $steps = $this->steps($kind, self::ALL);
        $holds = [];
        foreach ($steps as $step) {
            foreach ($holds as $id => $stage) {
                if ($stage !== explode('/', $step['id'])[0]) {
                    self::assertContains($id, $step['depends_on'], $step['id']);
                }
            }
            if ($step['hold']) {
                self::assertFalse($step['may_skip']);
                $holds[$step['id']] = explode('/', $step['id'])[0];
            }
        }
        self::assertArrayHasKey('isolate/proved-dead', $holds);
        self::assertArrayHasKey('dead_checks/bond-one', $holds);
        self::assertArrayHasKey('no_load_run/generator-volts-L1', $holds);
        self::assertSame(
            in_array($kind, ['K7', 'K8', 'K9'], true),
            isset($holds['no_load_run/generator-rotation']),
            'phase order where there are three',
        );
    }

    #[Test, DataProvider('kinds')]
    public function every_step_says_why_what_to_expect_what_if_not_and_no_word_is_left_unfilled(string $kind): void
    {
        foreach ($this->steps($kind, self::ALL) as $step) {
            foreach (['title', 'why', 'expect', 'if_not'] as $key) {
                self::assertNotSame('', $step[$key], "{$step['id']} $key");
                self::assertStringNotContainsString('{', $step[$key], $step['id']);
            }
            self::assertSame($step['kind'] === 'measure', isset($step['band']), $step['id']);
            self::assertSame($step['kind'] === 'time', isset($step['window']), $step['id']);
            if ($step['kind'] === 'choose') {
                self::assertSame($step['expect'], $step['choices'][0]['words'], 'the wanted one stands first');
            }
            if (str_contains(
                mb_strtolower($step['title'] . $step['why']),
                'volt',
            ) && $step['kind'] === 'measure' && str_starts_with($step['id'], 'energise')) {
                self::assertNotNull($step['hazard'], "{$step['id']}: the hazard comes before the meter");
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind->value];
        }
    }

    #[Test]
    public function it_is_the_same_each_time_and_its_stages_come_in_order(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $stages = $this->answer($kind->value, self::ALL)['stages'];
            self::assertSame($stages, $this->answer($kind->value, self::ALL)['stages']);
            $order = array_column(Stage::cases(), 'value');
            $places = array_map(static fn(string $id): int => (int) array_search($id, $order, true), array_column($stages, 'id'));
            $sorted = $places;
            sort($sorted);
            self::assertSame($sorted, $places);
        }
    }

    /**
     * @param array<string, mixed> $change of the settings
     * @param list<string>         $opened
     */
    #[Test, DataProvider('changes')]
    public function a_change_of_the_settings_opens_exactly_what_it_changes(array $change, array $opened): void
    {
        $answered = array_column($this->steps('K1', []), 'expect', 'id');
        $reopened = $this->answer('K1', [], $change, ['answered' => $answered])['reopened'];
        self::assertSame($opened, array_column($reopened, 'id'));
        foreach ($reopened as $one) {
            self::assertStringContainsString('Now: ', $one['because']);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function changes(): iterable
    {
        yield 'nothing' => [[], []];
        yield 'a cool-down' => [['cooldown_ms' => 400_000], ['return/time-engine-stop']];
        yield 'a start delay' => [['start_delay_ms' => 8000], ['simulated_outage/time-start-signal', 'simulated_outage/time-transfer']];
        yield 'a transfer delay' => [['transfer_delay_ms' => 30_000], ['simulated_outage/time-transfer']];
        yield 'a return delay' => [['return_delay_ms' => 600_000], ['bait_test/stayed', 'return/time-return']];
        yield 'a limit that no plain outage meets' => [
            ['sensing' => ['normal' => ['over_voltage' => ['dropout_pct' => 118, 'pickup_pct' => 112]]]],
            [],
        ];
    }

    #[Test]
    public function what_is_no_longer_asked_is_said_and_kept(): void
    {
        $answered = array_column($this->steps('K1', []), 'expect', 'id');
        $reopened = $this->answer('K1', ['bait' => false], [], ['answered' => $answered])['reopened'];
        self::assertSame(['bait_test/bait', 'bait_test/stayed'], array_column($reopened, 'id'));
        self::assertStringContainsString('no longer asked', $reopened[0]['because']);
    }

    /**
     * @param array<string, mixed> $options
     * @param list<string>         $more    that the option brings
     */
    #[Test, DataProvider('schools')]
    public function each_school_is_an_option(string $kind, array $options, array $without, array $more): void
    {
        $plain = array_column($this->steps($kind, $without), 'id');
        $with = array_column($this->steps($kind, $options), 'id');
        self::assertSame($more, array_values(array_diff($with, $plain)));
        self::assertSame([], array_diff($plain, $with), 'it takes nothing away');
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>, list<string>}> */
    public static function schools(): iterable
    {
        yield 'bait' => ['K1', ['bait' => true], ['bait' => false], ['bait_test/bait', 'bait_test/stayed']];
        yield 'no bait for a relay that prefers the generator' => ['K5', ['bait' => true], ['bait' => false], []];
        yield 'the lever' => [
            'K1',
            ['manual_transfer' => true],
            [],
            ['manual_transfer/dead-first', 'manual_transfer/lever', 'manual_transfer/back-to-automatic'],
        ];
        yield 'a load bank' => ['K1', ['load_bank' => true], [], array_merge(...array_map(
            static fn(string $row): array => array_map(static fn(int $pct): string => "on_load_checks/$row-$pct", [25, 50, 75, 100]),
            ['load-bank', 'load-bank-hz', 'load-bank-recovery'],
        ))];
        yield 'the owner' => ['K1', ['owner_present' => true], ['owner_present' => false], ['clean_up/owner-shown', 'clean_up/sign-owner']];
        yield 'two loads by name' => [
            'K7',
            ['must_run' => ['Pump']],
            [],
            ['on_load_checks/alive-pump-' . substr(hash('sha256', 'Pump'), 0, 6)],
        ];
    }

    #[Test]
    public function the_windows_are_those_of_the_sheet_and_the_bands_those_of_the_plant(): void
    {
        $template = new SheetTemplate(InstallationKind::ContactorGenerator);
        $expected = new ExpectedTimes($template->plant(), $template->settings());
        $steps = array_column($this->steps('K8', ['governor' => 'droop', 'generator_v_pct' => 3, 'battery_v' => 24]), null, 'id');
        self::assertSame($expected->window('transfer')?->maxMs, $steps['simulated_outage/time-transfer']['window']['max_ms']);
        self::assertSame($expected->baitMs, $steps['bait_test/bait']['window']['max_ms']);
        self::assertEqualsWithDelta(
            [116.4, 123.6],
            [$steps['no_load_run/generator-volts-L3']['band']['min'], $steps['no_load_run/generator-volts-L3']['band']['max']],
            1e-9,
        );
        self::assertEqualsWithDelta(round(sqrt(3) * 120 * 1.05, 1), $steps['energise/utility-line-volts']['band']['max'], 1e-9);
        self::assertEqualsWithDelta(
            round(sqrt(3) * 120 * 1.058, 1),
            $steps['energise/utility-line-volts']['band']['stop_over'],
            1e-9,
            'the lawful end of the supply',
        );
        self::assertEqualsWithDelta(63.5, $steps['no_load_run/generator-hz']['band']['max'], 1e-9, 'a droop set runs fast without load');
        self::assertEqualsWithDelta(24.8, $steps['inspect/battery-rest']['band']['min'], 1e-9);
        self::assertEquals(5, $steps['on_load_checks/unbalance']['band']['stop_over']);
    }

    #[Test]
    public function the_one_line_names_what_isolates_what_stays_live_and_where_to_test(): void
    {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::WholeHouse,
            'split',
            120,
            200,
            200,
            isServiceRated: true,
            poles: 2,
            isNeutralSwitched: false,
            generatorBreakerA: 100,
            isGeneratorBonded: true,
            isPanelBonded: true,
            electrodeAt: 'panel',
            groundsOnNeutralBar: 4,
            groundBarFree: 2,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
        $steps = array_column(
            $this->answer('K1', [], [], self::drawn($plan))['steps'],
            null,
            'id',
        );
        self::assertSame('Open Transfer switch main', $steps['simulated_outage/open']['title']);
        self::assertStringContainsString('stays live from Utility', $steps['isolate/open-ats.main']['hazard']);
        self::assertArrayHasKey('isolate/open-panel.main', $steps);
        self::assertArrayNotHasKey('isolate/open-all', $steps);
        self::assertContains('isolate/open-panel.main', $steps['isolate/proved-dead']['depends_on']);
    }

    /** @param array<string, mixed> $isolation */
    #[Test, DataProvider('supplies')]
    public function the_isolation_begins_upstream_and_proves_the_line_side_dead_before_own_devices(
        array $isolation,
        ?string $upstream,
        string $says,
    ): void {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::WholeHouse,
            'split',
            120,
            200,
            200,
            isServiceRated: true,
            upstream: Upstream::tryFrom((string) ($isolation['upstream'] ?? '')),
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
        $steps = array_column(
            $this->answer('K1', [], [], self::drawn($plan) + ['isolation' => $isolation])['steps'],
            null,
            'id',
        );
        $order = array_keys($steps);
        $place = static fn(string $id): int => (int) array_search($id, $order, true);
        if ($upstream === null) {
            self::assertArrayNotHasKey('isolate/upstream', $steps, 'a run from before keeps its steps');
            self::assertArrayNotHasKey('isolate/line-side-dead', $steps);

            return;
        }
        self::assertStringContainsString($says, $steps[$upstream]['title']);
        self::assertLessThan($place('isolate/line-side-dead'), $place($upstream));
        self::assertLessThan($place('isolate/open-ats.main'), $place('isolate/line-side-dead'));
        self::assertContains($upstream, $steps['isolate/line-side-dead']['depends_on']);
        self::assertContains('isolate/block-engine', $steps[$upstream]['depends_on'], 'a dead supply starts the engine');
        self::assertTrue($steps['isolate/line-side-dead']['hold']);
        self::assertContains('isolate/line-side-dead', $steps['isolate/proved-dead']['depends_on']);
        self::assertContains('isolate/line-side-dead', $steps['inspect/landing']['depends_on']);
        self::assertSame(
            ($isolation['upstream'] ?? 'not_known') === 'not_known',
            isset($steps[$upstream]['stopped_by']),
            'what nobody surveyed is not called done',
        );
    }

    /** @return iterable<string, array{array<string, mixed>, ?string, string}> */
    public static function supplies(): iterable
    {
        yield 'only the utility' => [['upstream' => 'utility'], 'isolate/upstream', 'The utility opens and tags'];
        yield 'another owner' => [['upstream' => 'owner'], 'isolate/upstream', 'The owner of the upstream switchboard'];
        yield 'a disconnect by the meter' => [['upstream' => 'disconnect'], 'isolate/open-md', 'Open, lock and tag Meter disconnect'];
        yield 'the main beside the meter' => [['upstream' => 'combined'], 'isolate/open-md', 'Open, lock and tag Main beside the meter'];
        yield 'nobody surveyed it' => [['inspection' => 'no'], 'isolate/upstream', 'upstream of the work'];
        yield 'a run from before' => [['upstream' => 'not_asked'], null, ''];
    }

    #[Test]
    public function without_a_survey_behind_it_the_supply_upstream_is_asked_for_all_the_same(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $steps = array_column($this->steps($kind->value, []), null, 'id');
            self::assertSame(! $kind->isMobile(), isset($steps['isolate/upstream']), $kind->value);
            self::assertArrayNotHasKey('stopped_by', $steps['isolate/upstream'] ?? []);
        }
        $two = array_column(
            $this->answer('K7', [], [], ['isolation' => ['upstream' => 'utility', 'second' => 'owner']])['steps'],
            null,
            'id',
        );
        self::assertStringContainsString('first supply', $two['isolate/upstream']['title']);
        self::assertStringContainsString('second supply', $two['isolate/upstream-second']['title']);
    }

    #[Test, DataProvider('inspections')]
    public function what_is_inspected_is_released_before_the_supply_closes(string $inspection, bool $isAsked): void
    {
        $install = ['install' => ['work_date' => '2026-11-22'], 'isolation' => ['upstream' => 'utility', 'inspection' => $inspection]];
        $steps = array_column($this->answer('K1', [], [], $install)['steps'], null, 'id');
        self::assertSame($isAsked, isset($steps['energise/release']));
        if ($isAsked) {
            self::assertTrue($steps['energise/release']['hold']);
            self::assertContains('energise/release', $steps['energise/close-utility']['depends_on']);
        }
        unset($install['install']);
        self::assertArrayNotHasKey(
            'energise/release',
            array_column($this->answer('K1', [], [], $install)['steps'], null, 'id'),
            'a test of what stands needs none',
        );
    }

    /** @return iterable<string, array{string, bool}> */
    public static function inspections(): iterable
    {
        yield 'asked for' => ['yes', true];
        yield 'not known' => ['not_known', true];
        yield 'not asked for' => ['no', false];
    }

    #[Test]
    public function a_plug_is_pulled_and_an_outage_that_nothing_makes_is_not_asked_for(): void
    {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::PlugInBox,
            'split',
            120,
            200,
            30,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
        $steps = array_column(
            $this->answer('K4', [], [], self::drawn($plan))['steps'],
            null,
            'id',
        );
        self::assertSame('Pull the plug of the switch box', $steps['simulated_outage/open']['title']);
        self::assertSame('Pull and tag the plug of the switch box', $steps['isolate/open-plug']['title']);
        $drawing = ['system' => 'split', 'elements' => [
            ['id' => 'u', 'type' => 'source', 'kind' => 'utility'], ['id' => 'g', 'type' => 'source', 'kind' => 'generator'],
            [
                'id' => 'sw', 'type' => 'switch', 'kind' => 'motor', 'poles' => 2, 'neutral' => 'solid', 'rating_a' => 200,
            ], ['id' => 'l', 'type' => 'load', 'phases' => ['L1']],
        ], 'links' => [['from' => 'u', 'to' => 'sw.normal'], ['from' => 'g', 'to' => 'sw.emergency'], ['from' => 'sw', 'to' => 'l']]];
        self::assertArrayHasKey(
            'stopped_by',
            array_column($this->answer('K1', [], [], ['topology' => $drawing])['steps'], null, 'id')['simulated_outage/open'],
        );
    }

    /** @param 'in_band'|'out_of_band'|'stop' $verdict */
    #[Test, DataProvider('values')]
    public function a_value_on_the_limit_is_inside(Band $band, float $value, string $verdict): void
    {
        self::assertSame($verdict, $band->judge($value));
    }

    /** @return iterable<string, array{Band, float, string}> */
    public static function values(): iterable
    {
        $volts = new Band('Volts', 'V', 114, 126);
        $unbalance = new Band('Unbalance', '%', null, 2, stopOver: 5);
        yield 'on the lower limit' => [$volts, 114, 'in_band'];
        yield 'under it' => [$volts, 113.99, 'out_of_band'];
        yield 'on the upper limit' => [$volts, 126, 'in_band'];
        yield 'over it' => [$volts, 126.01, 'out_of_band'];
        yield 'good' => [$unbalance, 2, 'in_band'];
        yield 'to be noted' => [$unbalance, 5, 'out_of_band'];
        yield 'nobody goes on' => [$unbalance, 5.01, 'stop'];
        yield 'without limits anything is found' => [new Band('Deepest voltage', 'V', null, null), 12, 'in_band'];
    }

    /** @param array<string, mixed> $change */
    #[Test, DataProvider('faults')]
    public function a_fault_is_named_where_it_is(array $change, string $path): void
    {
        try {
            $this->answer('K1', [], [], $change);
            self::fail("takes a fault at $path");
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'a kind that is none' => [['kind' => 'K11'], '/kind'];
        yield 'an unknown key' => [['option' => []], '/option'];
        yield 'an unknown school' => [['options' => ['prayer' => true]], '/options/prayer'];
        yield 'a band of nothing' => [['options' => ['generator_v_pct' => 0]], '/options/generator_v_pct'];
        yield 'an answer that is no text' => [['answered' => ['isolate/briefing' => 1]], '/answered/isolate~1briefing'];
        yield 'a supply that is none' => [['isolation' => ['upstream' => 'moon']], '/isolation/upstream'];
        yield 'a device that is no text' => [['surveyed' => ['device' => 7]], '/surveyed/device'];
        yield 'names in a list' => [['names' => ['Utility']], '/names'];
        yield 'a bad one-line' => [['topology' => ['system' => 'split', 'elements' => [], 'links' => 3]], '/topology/elements'];
    }

    #[Test]
    public function holds_and_measurements_are_of_the_kinds_that_can_hold(): void
    {
        foreach ((new Procedure(
            'K9',
            (new SheetTemplate(InstallationKind::MotorDriven))->plant(),
            (new SheetTemplate(InstallationKind::MotorDriven))->settings(),
            new ProcedureOptions(),
        ))->steps() as $step) {
            self::assertTrue(
                ! $step->isHold || in_array($step->kind, [StepKind::Confirm, StepKind::Measure, StepKind::Choose], true),
                $step->id,
            );
        }
    }

    /**
     * @param array<string, mixed> $options
     *
     * @return list<array<string, mixed>>
     */
    private function steps(string $kind, array $options): array
    {
        return $this->answer($kind, $options)['steps'];
    }

    /** @return array<string, mixed> */
    private static function drawn(SitePlan $plan): array
    {
        return ['topology' => (new OneLineWriter())->drawing($plan->oneLine()), 'names' => $plan->names()];
    }

    /**
     * @param array<string, mixed> $options
     * @param array<string, mixed> $change  of the settings
     * @param array<string, mixed> $more    of the input
     *
     * @return array<string, mixed> the answer, and its steps in one list
     */
    private function answer(string $kind, array $options, array $change = [], array $more = []): array
    {
        $template = new SheetTemplate(InstallationKind::from($kind));
        $answer = (new Calculations())->calc('procedure', Node::fromArray($more + [
            'kind' => $kind,
            'system' => $template->plant()->toArray(),
            'settings' => MergePatch::apply($template->settings()->toWire(), $change),
        ] + ($options === [] ? [] : ['options' => $options])));

        return $answer + ['steps' => array_merge(...array_column($answer['stages'], 'steps'))];
    }
}
