<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\PlanFacts;
use App\Bridge\TestPointFacts;
use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\Sheet;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Plan\MobilePage;
use App\Stage\Plan\SheddingPage;
use App\Stage\Plan\WiresPage;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** One question has one answer, on whatever page it is asked. */
final class OneAnswerTest extends TestCase
{
    /** @param array<string, mixed> $columns of the switch */
    #[Test, DataProvider('devices')]
    public function every_page_names_the_same_device_for_the_outage(InstallationKind $kind, array $columns, string $name): void
    {
        $switch = $this->surveyed($kind, $columns);
        self::assertSame($name, TestPointFacts::ofSwitch($switch)->name);
        $run = $this->runOf($switch);
        foreach ([
            "sites/$switch->site_id?on=source", "switches/$switch->id/plan", "switches/$switch->id/commission", "runs/$run->id/report",
        ] as $page) {
            $this->get("/$page")->assertOk()->assertSee($name);
        }
        $words = lcfirst($name) === $name ? [$name] : [$name, lcfirst($name)];
        foreach (["runs/$run->id", "runs/$run->id/procedure?step=simulated_outage/open"] as $page) {
            $content = html_entity_decode((string) $this->get("/$page")->assertOk()->getContent(), ENT_QUOTES);
            self::assertTrue(
                array_filter($words, static fn(string $word): bool => str_contains($content, $word)) !== [],
                "$page says $name",
            );
        }
    }

    /** @return iterable<string, array{InstallationKind, array<string, mixed>, string}> */
    public static function devices(): iterable
    {
        $outside = [
            'service_rated' => true, 'test_device' => 'md', 'test_disconnect' => 'Meter disconnect outside, north wall',
            'survey' => ['upstream' => 'disconnect', 'inspection' => 'no'],
        ];
        yield 'a house with a disconnect outside' => [InstallationKind::WholeHouse, $outside, 'Meter disconnect outside, north wall'];
        yield 'a house nobody looked at' => [InstallationKind::WholeHouse, ['service_rated' => true], 'Transfer switch main'];
        yield 'the panel main proves nothing' => [
            InstallationKind::WholeHouse,
            ['service_rated' => true, 'test_device' => 'panel.main', 'test_disconnect' => 'Main in the cellar'], 'Transfer switch main',
        ];
        yield 'a plug-in box' => [InstallationKind::PlugInBox, [], 'Plug of the switch box'];
        yield 'two supplies' => [InstallationKind::ContactorPair, [], 'First supply disconnect'];
        yield 'essential circuits' => [InstallationKind::EssentialCircuits, [], 'Breaker feed in Main panel'];
    }

    #[Test]
    public function the_survey_says_why_a_device_proves_nothing(): void
    {
        $switch = $this->surveyed(
            InstallationKind::WholeHouse,
            ['service_rated' => true, 'test_device' => 'panel.main', 'test_disconnect' => 'Main in the cellar'],
        );
        $this->get("/sites/$switch->site_id?on=source")->assertSee('The surveyed device proves nothing');
        $this->get("/switches/$switch->id/plan")->assertSee('Main in the cellar')->assertSee('the switch still sees good voltage');
    }

    #[Test, DataProvider('fixed')]
    public function the_isolation_plan_the_procedure_and_the_power_down_begin_upstream(InstallationKind $kind): void
    {
        $switch = $this->surveyed($kind, ['survey' => ['upstream' => 'utility', 'upstream_second' => 'utility', 'inspection' => 'yes']]);
        $this->post(
            "/switches/$switch->id/commission",
            ['hazards_read' => '1', 'options' => ['install' => '1']],
        )->assertSessionHasNoErrors();
        $run = $switch->runs()->firstOrFail();
        $page = html_entity_decode((string) $this->get("/runs/$run->id/procedure")->assertOk()->getContent(), ENT_QUOTES);
        $place = static fn(string $words): int => strpos($page, $words) ?: self::fail("\"$words\" is not asked for");
        self::assertLessThan($place('Prove dead on the line side of'), $place('The utility opens and tags the'));
        self::assertStringContainsString('Inspection release before the supply closes', $page);
        $this->get("/runs/$run->id/isolation.pdf")->assertOk();
        $this->get("/switches/$switch->id/power-down")->assertOk()->assertSeeInOrder([
            'Utility', 'supply tagged open upstream', 'line side proved dead', 'own devices open',
        ]);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function fixed(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            if (! $kind->isMobile()) {
                yield $kind->value => [$kind];
            }
        }
    }

    #[Test]
    public function the_other_supply_is_told_wherever_one_of_two_is_opened_and_no_engine_is(): void
    {
        $switch = $this->surveyed(InstallationKind::ContactorPair, ['survey' => ['upstream' => 'utility']]);
        $plan = "/switches/$switch->id/plan";
        foreach (['q1', 'q2'] as $open) {
            $this->get("$plan?open=$open")->assertOk()->assertSee('go to the other supply by itself within seconds')
                ->assertSee('Both supplies opened, locked and tagged')->assertDontSee('Engine blocked');
        }
        $this->get("/switches/$switch->id/power-down")->assertSeeInOrder([
            'the second supply is opened, locked and tagged as the first is', 'id="finding-upstream-not-surveyed"',
            'first supply tagged open upstream', 'second supply tagged open upstream', 'each line side proved dead',
        ], false);
        foreach (['plan', 'wiring', 'landing', 'schedule', 'power-down', 'shedding'] as $page) {
            $shown = strip_tags((string) $this->get("/switches/$switch->id/$page")->assertOk()->getContent());
            self::assertDoesNotMatchRegularExpression(
                '/start pair|(live|switch) (from|on) (the )?generator|block(ed)? the engine|generator.s (rating|output)|engine starts/i',
                $shown,
                $page,
            );
        }
    }

    #[Test]
    public function what_nobody_surveyed_upstream_stops_the_work_behind_covers(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse, ['survey' => []]);
        $run = $this->runOf($switch);
        $this->get("/runs/$run->id/procedure?step=isolate/upstream")->assertSee('has not been surveyed');
        $this->get("/switches/$switch->id/power-down")->assertSee('id="finding-' . 'upstream-not-surveyed' . '"', false)
            ->assertSee('Who can open the supply upstream of the work is not known.');
    }

    #[Test]
    public function a_vehicle_goes_from_its_survey_to_its_pack_list_on_batteries(): void
    {
        foreach ([InstallationKind::Mobile50, InstallationKind::Mobile30, InstallationKind::WholeHouse] as $kind) {
            $switch = $this->surveyed($kind, ['fuel' => 'battery', 'rated_kw' => ['battery' => 3, 'petrol' => 4]]);
            foreach ([
                'plan', 'shedding', 'power-down', 'pack-list', 'wires', 'landing', 'mobile', 'settings', 'rehearsal', 'plan.pdf',
                'plan.json',
            ] as $page) {
                $this->get("/switches/$switch->id/$page")->assertOk();
            }
        }
        self::assertStringContainsString('limited by the inverter', self::words($this->get("/switches/$switch->id/plan")));
    }

    #[Test]
    public function the_runtime_counts_the_loads_that_stay_on(): void
    {
        $switch = $this->surveyed(InstallationKind::Mobile50, ['fuel' => 'battery', 'rated_kw' => ['battery' => 4, 'petrol' => 3]]);
        $switch->loads()->delete();
        foreach ([
            ['Charger', 0.9, null], ['Rear cooling', 1.8, 'L1'], ['Lights', 0.6, 'L2'], ['Roof unit', 3.2, 'L1L2'],
            ['Outlets', 1.1, 'L2'],
        ] as $place => [$name, $kw, $connect]) {
            $this->load($switch, $place, $name, $kw, $connect);
        }
        Plan::keep(
            $switch,
            User::query()->firstOrFail(),
            ['facts' => [], 'mobile' => ['battery_kwh' => 10, 'stations' => 1, 'charger' => 'Charger']],
        );
        $page = new MobilePage($this->fresh($switch));
        $on = $page->carried->on ?? [];
        $kw = array_sum(array_map(
            static fn(LoadItem $load): float => (float) $load->kw,
            array_filter($switch->loads()->get()->all(), static fn(LoadItem $load): bool => in_array($load->name, $on, true)),
        ));
        self::assertGreaterThan(0, $kw);
        self::assertNotContains('Charger', $on, 'it would charge the battery that feeds it');
        self::assertEqualsWithDelta($kw, $page->runtime?->values['load_kw'], 1e-9, 'what the plan leaves on is what empties the battery');
        self::assertSame(
            ['Batteries and inverter', 'Generator on petrol'],
            array_map(static fn($source): string => $source->name, $page->sources),
        );
        self::assertEqualsWithDelta($kw, $page->sources[0]->loadKw, 1e-9);
        $this->get("/switches/$switch->id/mobile")->assertOk()->assertSee('On each source');
    }

    #[Test]
    public function shedding_and_rehearsal_bring_a_compressor_back_at_one_time(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse, ['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $settings = ['load_shed' => [
            'limit_kw' => 14, 'first_step_ms' => 10_000, 'step_ms' => 10_000, 'overload_ms' => 5000, 'lockout_ms' => 180_000,
        ]] + $switch->sheet()->firstOrFail()->settings;
        Sheet::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'version' => 2, 'standing' => Standing::Proposed,
            'settings' => $settings, 'habits' => [], 'user_id' => User::query()->firstOrFail()->id,
        ]);
        $page = new SheddingPage($this->fresh($switch));
        self::assertSame('back after 3:00.0', $page->fate($switch->loads()->where('name', 'Heat pump')->firstOrFail()));
        $this->followingRedirects()->post(
            "/switches/$switch->id/rehearsal",
            ['story' => 'outage', 'n' => ['lasts_ms' => '400']],
        )->assertOk()->assertSee('Its compressor waits');
    }

    #[Test]
    public function a_source_that_is_overloaded_says_so_in_the_rehearsal(): void
    {
        $switch = $this->surveyed(InstallationKind::EssentialCircuits, ['fuel' => 'natural_gas', 'rated_kw' => ['natural_gas' => 11]]);
        $this->load($switch, 9, 'Ovens', 19.0, 'L1L2', mustRun: true);
        $this->get("/switches/$switch->id/rehearsal")->assertOk()->assertSee('on a source that gives')->assertSee('strip-overload', false);
    }

    #[Test]
    public function the_feeder_of_the_source_is_sized_from_it_and_a_smaller_one_is_stopped(): void
    {
        $switch = $this->surveyed(InstallationKind::TwoPanels, ['fuel' => 'lp', 'rated_kw' => ['lp' => 38]]);
        $switch->site->update(['service_a' => 400]);
        $facts = new PlanFacts($this->fresh($switch), null);
        $feeder = array_values(array_filter($facts->feeders()->feeders(), static fn(array $one): bool => $one['from'] === 'gen'))[0];
        self::assertEqualsWithDelta(round((float) $facts->source?->legA, 1), $feeder['amps'], 1e-9);
        self::assertGreaterThanOrEqual($feeder['amps'], $feeder['ocpd_a']);
        $small = [
            'name' => 'Generator', 'from' => 'gen', 'to' => 'ats', 'amps' => '80', 'ocpd_a' => '100', 'length' => '50',
            'material' => 'cu', 'raceway' => 'pvc40', 'trade_size' => '1-1/4',
        ];
        $this->put("/switches/$switch->id/wires", ['runs' => [$small]])->assertSessionHasNoErrors();
        self::assertContains(
            'source-feeder-small',
            array_map(
                static fn(array $told): string => $told['finding']->id,
                (new WiresPage($this->fresh($switch), $switch->refresh()->plan))->findings(),
            ),
        );
    }

    #[Test]
    public function a_third_leg_is_refused_where_there_are_two(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        foreach (['L3', '3P', 'L2L3'] as $connect) {
            $this->put(
                "/switches/$switch->id/loads",
                ['loads' => [['name' => 'Pump', 'kw' => '2', 'priority' => '1', 'connect' => $connect]]],
            )->assertSessionHasErrors('loads.0.connect');
        }
        $this->put(
            "/switches/$switch->id/loads",
            ['loads' => [['name' => 'Pump', 'kw' => '2', 'priority' => '1', 'connect' => 'L2']]],
        )->assertSessionHasNoErrors();
        $this->get("/sites/$switch->site_id?on=loads")->assertDontSee('all three');
    }

    #[Test]
    public function a_small_load_with_no_leg_is_assumed_on_one_and_the_plan_says_so(): void
    {
        $switch = $this->surveyed(InstallationKind::WholeHouse);
        $this->get("/switches/$switch->id/plan")->assertSee('Always on: taken to sit on L1.')->assertSee('Assumed legs');
    }

    /** @param array<string, mixed> $columns */
    private function surveyed(InstallationKind $kind, array $columns = []): TransferSwitch
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user, $kind);
        $switch->update($columns + ($kind->hasGenerator() ? ['fuel' => 'lp', 'rated_kw' => ['lp' => 18]] : []));
        foreach ([
            ['Always on', 1.2, true, false], ['Heat pump', 5.0, false, true], ['Range', 6.0, false, true],
        ] as $place => [$name, $kw, $mustRun, $shed]) {
            $this->load($switch, $place, $name, $kw, null, $mustRun, $shed);
        }

        return $this->fresh($switch);
    }

    private function load(
        TransferSwitch $switch,
        int $place,
        string $name,
        float $kw,
        ?string $connect,
        bool $mustRun = false,
        bool $shed = false,
    ): void {
        LoadItem::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'place' => $place, 'name' => $name, 'kw' => $kw,
            'priority' => $place + 1, 'must_run' => $mustRun,
            'shed' => $shed, 'connect' => $connect, 'compressor' => $name === 'Heat pump', 'essential' => $mustRun,
        ]);
    }

    private function fresh(TransferSwitch $switch): TransferSwitch
    {
        return TransferSwitch::query()->with([
            'site.switches', 'loads', 'plan.user', 'sheet.user', 'run.sheet', 'run.user', 'proofs', 'photos',
        ])->findOrFail($switch->id);
    }
}
