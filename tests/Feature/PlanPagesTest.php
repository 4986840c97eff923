<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\PlanFacts;
use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Stage\Plan\LandingPage;
use App\Stage\Plan\MobilePage;
use App\Stage\Plan\PackPage;
use App\Stage\Plan\PlanLook;
use App\Stage\Plan\PlanPage;
use App\Stage\Plan\SheddingPage;
use App\Stage\SiteStanding;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Wire\Calculations;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class PlanPagesTest extends TestCase
{
    private const PAGES = ['plan', 'shedding', 'wires', 'landing', 'power-down', 'pack-list', 'mobile'];

    #[Test, DataProvider('kinds')]
    public function every_kind_has_every_page_of_its_plan_and_all_of_it_as_pdf(InstallationKind $kind): void
    {
        $switch = $this->surveyed($kind);
        foreach (self::PAGES as $page) {
            $this->get("/switches/$switch->id/$page")->assertOk();
        }
        foreach (['plan.pdf', 'one-line.pdf?on=emergency&bonds=after'] as $paper) {
            self::assertStringStartsWith(
                '%PDF',
                (string) $this->get("/switches/$switch->id/$paper")
                    ->assertOk()
                    ->assertHeader('Content-Type', 'application/pdf')
                    ->getContent(),
            );
        }
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function a_run_that_is_lengthened_is_packed_longer_and_lands_on_the_same_lugs(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $run = [
            'name' => 'Generator',
            'from' => 'gen',
            'to' => 'ats',
            'sets' => '1',
            'amps' => '80',
            'ocpd_a' => '100',
            'length' => '50',
            'material' => 'cu',
            'raceway' => 'pvc40',
            'trade_size' => '1-1/4',
        ];
        $this->put("/switches/$switch->id/wires", ['runs' => [$run]])->assertSessionHasNoErrors();
        $before = $this->packed($switch, 'Conductor 3, copper');
        $this->put("/switches/$switch->id/wires", ['runs' => [['length' => '100'] + $run]]);
        self::assertEqualsWithDelta(1.1 * 3 * 50 * .3048, $this->packed($switch, 'Conductor 3, copper') - $before, 0.01);
        self::assertEqualsCanonicalizing(['ats', 'gen'], array_keys((new LandingPage($this->loaded($switch)))->enclosures));
        $this->put("/switches/$switch->id/wires", ['runs' => [['to' => 'gen'] + $run]])->assertSessionHasErrors('runs.0.to');
    }

    #[Test]
    public function the_makers_torque_comes_before_the_table_and_stays_when_the_size_changes(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $page = new LandingPage($this->loaded($switch));
        $lines = $page->enclosures['panel']->lines;
        self::assertSame('table, a last resort', $page->enclosures['panel']->target(3)['source']);
        self::assertContains('maker-torque-missing', array_map(static fn($finding): string => $finding->id, $page->findings()));
        $typed = array_map(
            static fn(array $line, int $i): array => array_diff_key($line, ['size' => true]) + ['maker_value' => null] + ['place' => $i],
            $lines,
            array_keys($lines),
        );
        foreach ($typed as $i => $line) {
            $typed[$i] = ['place' => count($typed) - $i, 'maker_value' => '25', 'maker_unit' => 'nm'] + $line;
        }
        $this->put("/switches/$switch->id/landing", ['enclosures' => ['panel' => $typed]])->assertSessionHasNoErrors();
        $table = (new LandingPage($this->loaded($switch)))->enclosures['panel'];
        self::assertSame(
            array_column(array_reverse($lines), 'terminal'),
            array_column($table->lines, 'terminal'),
            'in the order that was typed',
        );
        self::assertSame(['value' => '221 in-lb, 25 N·m', 'source' => 'by its maker'], $table->target(0));
        $typed[0]['maker_value'] = '0';
        $this->put(
            "/switches/$switch->id/landing",
            ['enclosures' => ['panel' => $typed]],
        )->assertSessionHasErrors('enclosures.panel.0.maker_value');
    }

    #[Test]
    public function a_hot_on_the_neutral_bar_is_a_stop_where_it_lands(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $lines = (new LandingPage($this->loaded($switch)))->enclosures['gen']->lines;
        foreach ($lines as $i => $line) {
            $lines[$i] = ($line['conductor'] === 'L1' ? ['on' => 'N'] : []) + array_diff_key($line, ['size' => true, 'place' => true]);
        }
        $this->put("/switches/$switch->id/landing", ['enclosures' => ['gen' => $lines]])->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/landing")->assertSee('finding-hot-on-neutral', false)->assertSee('Generator: ');
    }

    /** @param array<string, mixed> $box */
    #[Test, DataProvider('boxes')]
    public function a_box_is_judged_by_the_runs_that_meet_in_it(array $box, bool $passes): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->put(
            "/switches/$switch->id/landing",
            [
                'boxes' => [
                    $box + [
                        'name' => 'Corner',
                        'from' => 'Meter to transfer switch',
                        'to' => 'Meter to transfer switch',
                        'from_wall' => 'left',
                        'to_wall' => 'top',
                    ],
                ],
            ],
        )->assertSessionHasNoErrors();
        $one = (new LandingPage($this->loaded($switch)))->boxes[0];
        self::assertNull($one['fault']);
        self::assertSame($passes, $one['answer']?->values['passes']);
    }

    /** @return iterable<string, array{array<string, mixed>, bool}> */
    public static function boxes(): iterable
    {
        yield 'six times the trade size, each way' => [['w_in' => '12', 'h_in' => '12', 'd_in' => '6'], true];
        yield 'too narrow for the turn' => [['w_in' => '11.5', 'h_in' => '12', 'd_in' => '6'], false];
    }

    #[Test]
    public function a_box_whose_run_is_gone_says_so(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->put(
            "/switches/$switch->id/landing",
            [
                'boxes' => [[
                    'name' => 'Corner',
                    'w_in' => '12',
                    'h_in' => '12',
                    'd_in' => '6',
                    'from' => 'Old',
                    'to' => 'Old',
                    'from_wall' => 'left',
                    'to_wall' => 'top',
                ]],
            ],
        )->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/landing")->assertSee('no longer in the schedule');
    }

    #[Test]
    public function moving_a_load_up_changes_who_comes_back_first_and_must_run_is_never_shed(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $ids = $switch->loads()->pluck('id', 'name');
        $line = static fn(string $name, int $priority, bool $shed): array => [
            'id' => $ids[$name],
            'priority' => $priority,
        ] + ($shed ? ['shed' => '1'] : []);
        $this->put(
            "/switches/$switch->id/shedding",
            ['loads' => [$line('Well pump', 1, true), $line('Heater', 3, true), $line('Range', 2, true)]],
        )->assertSessionHasNoErrors();
        self::assertSame(['Range', 'Heater'], array_column((new SheddingPage($this->loaded($switch)))->steps(), 'id'));
        self::assertFalse(LoadItem::query()->findOrFail($ids['Well pump'])->shed);
        $answer = $this->withHeader('HX-Request', 'true')->put(
            "/switches/$switch->id/shedding",
            ['loads' => [$line('Heater', 2, true), $line('Range', 3, true)]],
        )->assertOk();
        self::assertStringNotContainsString('<html', (string) $answer->getContent(), 'only the part that changes');
        self::assertSame(['Heater', 'Range'], array_column((new SheddingPage($this->loaded($switch)))->steps(), 'id'));
    }

    #[Test]
    public function a_start_on_the_drawn_limit_dips_by_what_the_line_says(): void
    {
        $page = new SheddingPage($this->loaded($this->surveyed(InstallationKind::WholeHouse)));
        $answer = (new Calculations())->calc(
            'step_sequence',
            Node::fromArray([
                'usable_kw' => 100, 'k_kva' => PlanFacts::stiffnessKva((float) $page->source?->ratedKva),
                'loads' => [['id' => 'a', 'kw' => 1, 'start_kva' => $page->limitKva]],
            ]),
        );
        self::assertEqualsWithDelta(PlanFacts::DIP_LIMIT_PCT, $answer['worst_dip_pct'], 1e-9);
        self::assertStringContainsString('kVA dips by 30 %', $page->chart()->svg());
    }

    #[Test]
    public function a_load_of_another_company_is_not_moved(): void
    {
        $strange = $this->surveyed(InstallationKind::WholeHouse)->loads()->firstOrFail();
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->put("/switches/$switch->id/shedding", ['loads' => [['id' => $strange->id, 'priority' => 77]]]);
        self::assertNotSame(77, LoadItem::query()->withoutGlobalScope('company')->findOrFail($strange->id)->priority);
    }

    #[Test]
    public function the_shedding_goes_into_a_new_version_of_the_sheet_once(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->post("/switches/$switch->id/shedding", ['seen' => '1'])->assertRedirect("/switches/$switch->id/settings");
        $this->post("/switches/$switch->id/shedding", ['seen' => '1'])->assertRedirect("/switches/$switch->id/shedding");
        $sheet = $switch->sheet()->firstOrFail();
        self::assertSame(2, $sheet->version, 'a second press on an old page writes nothing');
        $usableKw = (new PlanFacts($this->loaded($switch), null))->source?->usableKw;
        self::assertEqualsWithDelta((float) $usableKw, $sheet->settings['load_shed']['limit_kw'], 0.1);
        self::assertLessThanOrEqual($usableKw, $sheet->settings['load_shed']['limit_kw']);
        $this->get("/switches/$switch->id/shedding")->assertSee('Version 2 has it so')->assertDontSee('Put into the sheet');
    }

    #[Test]
    public function the_charging_loop_is_found_and_one_press_sheds_the_charger(): void
    {
        $switch = $this->van();
        $page = new MobilePage($this->loaded($switch));
        self::assertContains('charger-loop', array_map(static fn($finding): string => $finding->id, $page->findings()));
        $with = (float) $page->runtime?->values['runtime_h'];
        $this->post("/switches/$switch->id/mobile/charger")->assertRedirect();
        $after = new MobilePage($this->loaded($switch));
        self::assertFalse($after->isChargerOn());
        self::assertGreaterThan($with, (float) $after->runtime?->values['runtime_h']);
        self::assertContains('Charger', $after->carried?->shed);
        self::assertNotContains('charger-loop', array_map(static fn($finding): string => $finding->id, $after->findings()));
    }

    #[Test]
    public function twice_the_batteries_last_twice_as_long_and_the_jumper_waits_for_the_maker(): void
    {
        $switch = $this->van();
        $page = new MobilePage($this->loaded($switch));
        $hours = (float) $page->runtime?->values['runtime_h'];
        self::assertEqualsWithDelta(2 * $hours, $page->runtime?->values['with_extra'][0]['runtime_h'] ?? 0, 1e-9);
        self::assertContains('jumper-unconfirmed', array_map(static fn($finding): string => $finding->id, $page->findings()));
        $this->put(
            "/switches/$switch->id/mobile",
            ['maker_allows' => 'yes', 'alternate_ever_240' => '1'] + self::VAN,
        )->assertSessionHasNoErrors();
        self::assertFalse((new MobilePage($this->loaded($switch)))->jumper?->values['allowed'], 'a 240 V source there would be shorted');
        $this->put("/switches/$switch->id/mobile", ['maker_allows' => 'yes'] + self::VAN);
        self::assertTrue((new MobilePage($this->loaded($switch)))->jumper?->values['allowed']);
        $this->put("/switches/$switch->id/mobile", ['feeder_neutral_a' => ''] + self::VAN)->assertSessionHasErrors('feeder_neutral_a');
    }

    #[Test]
    public function a_tick_sent_twice_is_once_and_two_phones_do_not_undo_each_other(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $keys = array_map(static fn($line): string => $line->key, (new PackPage($this->loaded($switch)))->lines);
        $tick = fn(string $key, string $done): TestResponse => $this->post(
            "/switches/$switch->id/pack-list/tick",
            ['key' => $key, 'done' => $done],
        );
        $tick($keys[0], '1')->assertRedirect();
        $tick($keys[0], '1');
        $tick($keys[1], '1');
        self::assertSame([$keys[0], $keys[1]], array_keys(Plan::query()->firstOrFail()->pack['ticks'] ?? []));
        $tick($keys[0], '0');
        $this->put(
            "/switches/$switch->id/pack-list",
            ['own' => [['name' => 'Ladder', 'quantity' => '2'], ['name' => '', 'quantity' => '']]],
        )->assertSessionHasNoErrors();
        self::assertSame([$keys[1]], array_keys(Plan::query()->firstOrFail()->pack['ticks'] ?? []), 'own lines leave the ticks alone');
        $this->get("/switches/$switch->id/pack-list")->assertSee('1 of ' . (count($keys) + 1))->assertSee('Ladder');
        $tick('nonsense', '1')->assertSessionHasErrors('key');
    }

    #[Test]
    public function a_gauge_is_good_for_a_year_from_its_calibration(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        Plan::query()->create([
            'company_id' => $switch->company_id,
            'switch_id' => $switch->id,
            'user_id' => $switch->sheet()->firstOrFail()->user_id,
            'facts' => [],
            'power_down' => ['opens_at' => '2026-10-01T09:00'],
        ]);
        $fault = fn(string $date): ?string => $this->gaugeFault($switch, $date);
        self::assertNull($fault('2025-10-01'), 'on the day it runs out it is still good');
        self::assertStringContainsString('ran out', (string) $fault('2025-09-30'));
        self::assertStringContainsString('not known', (string) $fault(''));
    }

    #[Test]
    public function a_panel_is_added_on_the_drawing_and_a_load_moved_to_it_stays_there(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $ids = $switch->loads()->pluck('id', 'name');
        $panel = ['name' => 'Garage', 'from' => 'panel', 'breaker_a' => '60'];
        $this->put(
            "/switches/$switch->id/elements",
            ['poles' => '3', 'panels' => [$panel, ['name' => 'Shed', 'from' => 'sub-1'] + $panel], 'hangs' => [$ids['Heater'] => 'sub-1']],
        )->assertSessionHasNoErrors();
        self::assertSame(3, $switch->refresh()->poles);
        $this->get("/switches/$switch->id/plan")->assertSee('Garage')->assertSee('Shed');
        $links = $this->get("/switches/$switch->id/plan.json")->json('topology.links');
        self::assertStringStartsWith('sub-1.', array_column($links, 'from', 'to')['load-2']);
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [['name' => 'Heater', 'kw' => '5', 'priority' => '3']]],
        )->assertSessionHasNoErrors();
        self::assertSame('sub-1', LoadItem::query()->firstOrFail()->panel, 'the survey does not move it back');
        $this->put(
            "/switches/$switch->id/plan",
            ['neutral_switched' => '0', 'generator_bonded' => '1', 'panel_bonded' => '1'],
        )->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/plan")->assertSee('Garage');
        $this->put("/switches/$switch->id/elements", ['panels' => [['from' => 'sub-9'] + $panel]])->assertSessionHasErrors('panels.0.from');
    }

    #[Test]
    public function bonds_are_drawn_as_found_as_they_will_be_and_as_they_move(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->put(
            "/switches/$switch->id/plan",
            ['neutral_switched' => '0', 'generator_bonded' => '1', 'panel_bonded' => '1', 'service_bonded' => '1'],
        )->assertSessionHasNoErrors();
        $drawn = function (string $bonds) use ($switch): string {
            return (string) $this->get("/switches/$switch->id/plan?bonds=$bonds")->assertOk()->getContent();
        };
        self::assertStringContainsString('bond-goes', $drawn('moves'));
        self::assertStringNotContainsString('bond-goes', $drawn('before'));
        self::assertStringNotContainsString('bond-goes', $drawn('after'));
        self::assertNotSame($drawn('before'), $drawn('after'));
    }

    #[Test]
    public function essential_circuits_cost_more_work_and_less_fuel(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $switch->update(['survey' => ['tank_gal' => 250, 'tank_pct' => 70]]);
        $columns = array_column(
            array_map(
                static fn($column): array => [$column->key, $column],
                PlanPage::of($this->loaded($switch), null, new PlanLook())->columns(),
            ),
            1,
            0,
        );
        self::assertGreaterThan($columns['whole']->labourHours, $columns['essential']->labourHours);
        self::assertGreaterThan($columns['whole']->runtimeHours(), $columns['essential']->runtimeHours());
        self::assertContains('Range', $columns['essential']->off);
        $fuel = (new Calculations())->calc(
            'fuel',
            Node::fromArray([
                'fuel' => 'lp',
                'rated_kw' => 18,
                'load_kw' => $columns['essential']->option->kw,
                'tank' => ['capacity_gal' => 250, 'level_pct' => 70],
            ]),
        );
        self::assertSame($fuel['tank']['runtime_h'] ?? null, $columns['essential']->runtimeHours());
    }

    #[Test]
    public function both_schools_of_demand_stand_side_by_side_and_the_sizing_counts_with_it_when_told(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $facts = [
            'neutral_switched' => '0',
            'generator_bonded' => '1',
            'panel_bonded' => '1',
            'floor_area' => '1000',
            'measured_peak_kw' => '6',
            'measured_days' => '365',
            'measured_hvac' => '1',
        ];
        $this->put("/switches/$switch->id/plan", $facts)->assertSessionHasNoErrors();
        self::assertEqualsWithDelta(92.9, Plan::query()->firstOrFail()->facts['floor_area_m2'], 0.01);
        $this->get("/switches/$switch->id/plan")->assertSee('calculated')->assertSee('measured');
        $whole = fn(): float => PlanPage::of($this->loaded($switch), $switch->refresh()->plan, new PlanLook())->columns()[0]->option->kw;
        $all = $whole();
        $this->put("/switches/$switch->id/plan", $facts + ['use_demand' => '1'])->assertSessionHasNoErrors();
        self::assertLessThanOrEqual($all, $whole());
    }

    #[Test]
    public function a_verdict_does_not_change_because_the_survey_does(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $run = $this->runOf($switch);
        $before = $this->get("/runs/$run->id/report.json")->json('timing');
        $plant = $switch->refresh()->plant;
        $plant['engine']['run_up_ms'] = 60_000;
        $switch->update(['plant' => $plant]);
        self::assertSame($before, $this->get("/runs/$run->id/report.json")->json('timing'));
    }

    private const VAN = [
        'battery_kwh' => '3.6',
        'stations' => '1',
        'chemistry' => 'lfp',
        'inverter_kw' => '3',
        'inverter_a' => '30',
        'charger' => 'Charger',
        'jumper' => '1',
        'feeder_neutral_a' => '55',
        'cord_m' => '25',
        'cord_size' => '10',
        'cord_breaker_a' => '30',
    ];

    private function van(): TransferSwitch
    {
        $switch = $this->surveyed(InstallationKind::Mobile50);
        $switch->loads()->delete();
        $this->put("/switches/$switch->id/loads", ['loads' => [
            ['name' => 'Lights', 'kw' => '0.4', 'priority' => '1', 'connect' => 'L1', 'must_run' => '1'],
            ['name' => 'Charger', 'kw' => '0.9', 'priority' => '2', 'connect' => 'L2'],
        ]])->assertSessionHasNoErrors();
        $this->put("/switches/$switch->id/mobile", self::VAN)->assertSessionHasNoErrors();

        return $switch;
    }

    private function surveyed(InstallationKind $kind): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $switch->site->update(['service_a' => 200]);
        $switch->update(['fuel' => Fuel::Lp, 'rated_kw' => ['lp' => 18], 'rating_a' => 200, 'service_rated' => true]);
        $isOneLeg = $kind === InstallationKind::Mobile30;
        foreach ([
            ['Well pump', 1.5, true, false, 6],
            ['Heater', 5, false, true, 0],
            ['Range', 8, false, true, 0],
        ] as $place => [$name, $kw, $mustRun, $shed, $startKva]) {
            LoadItem::query()->create([
                'company_id' => $switch->company_id,
                'switch_id' => $switch->id,
                'place' => $place,
                'name' => $name,
                'kw' => $kw,
                'priority' => $place + 1,
                'must_run' => $mustRun,
                'essential' => $mustRun,
                'shed' => $shed,
                'start_kva' => $startKva, 'connect' => $isOneLeg ? 'L1' : 'L1L2',
            ]);
        }

        return $switch;
    }

    private function loaded(TransferSwitch $switch): TransferSwitch
    {
        return TransferSwitch::query()->with(SiteStanding::NEEDS)->findOrFail($switch->id);
    }

    private function packed(TransferSwitch $switch, string $name): float
    {
        return (float) (array_column(
            array_map(static fn($line): array => [$line->name, $line->quantity], (new PackPage($this->loaded($switch)))->lines),
            1,
            0,
        )[$name] ?? 0);
    }

    private function gaugeFault(TransferSwitch $switch, string $date): ?string
    {
        $page = new PackPage($this->loaded($switch));
        $gauge = array_values(array_filter($page->lines, static fn($line): bool => $line->isGauge))[0];
        $this->put("/switches/$switch->id/pack-list", ['calibrated' => [$gauge->key => $date]])->assertSessionHasNoErrors();

        return (new PackPage($this->loaded($switch)))->calibrationFault($gauge);
    }
}
