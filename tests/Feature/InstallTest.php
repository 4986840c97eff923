<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\LandingWork;
use App\Bridge\PlanFacts;
use App\Bridge\ProcedureWork;
use App\Models\Plan;
use App\Models\Role;
use App\Models\Run;
use App\Models\StepAnswer;
use App\Models\TransferSwitch;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Plant\InstallationKind;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

/** The plan as the steps of its installation. */
final class InstallTest extends TestCase
{
    use WorksThrough;

    #[Test, DataProvider('kinds')]
    public function what_a_site_gives_to_its_procedure_fits_the_published_schema(InstallationKind $kind): void
    {
        $switch = $this->surveyed($this->signIn(), $kind);
        foreach ([['install' => true], []] as $schools) {
            $input = [
                'system' => $switch->plant,
                'settings' => $switch->sheet()->firstOrFail()->settings,
            ] + ProcedureWork::of($switch, $schools);
            $result = (new Validator())->validate(
                json_decode((string) json_encode($input)),
                (string) file_get_contents(base_path('docs/schema/procedure.schema.json')),
            );
            self::assertTrue($result->isValid(), (string) json_encode($result->error()?->data()->fullPath()));
        }
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test, DataProvider('housesAndVehicles')]
    public function every_lug_of_the_landing_list_has_its_step(InstallationKind $kind): void
    {
        $user = $this->signIn();
        $switch = $this->surveyed($user, $kind);
        $run = $this->begun($switch);
        $work = new LandingWork($switch, new PlanFacts($switch, $switch->plan));
        $lines = array_sum(array_map(static fn($table): int => count($table->lines), $work->enclosures));
        $steps = $this->page($run)->facts->steps;
        self::assertGreaterThan(0, $lines);
        self::assertCount($lines, $this->starting($steps, 'install/torque-', 'install/torque-tool'));
        self::assertCount(count($work->enclosures), $this->starting($steps, 'install/land-'));
        self::assertCount(count($work->rows), $this->starting($steps, 'install/pull-'));
        $this->get("/runs/$run->id/procedure")->assertOk()->assertSee('Install');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function housesAndVehicles(): iterable
    {
        foreach (['K1', 'K2', 'K3', 'K4', 'K5', 'K6', 'K10'] as $kind) {
            yield $kind => [InstallationKind::from($kind)];
        }
    }

    #[Test]
    public function an_installation_is_worked_through_to_the_end_and_nothing_is_inspected_before(): void
    {
        $run = $this->begun($this->surveyed($this->signIn()));
        $lug = array_values($this->starting($this->page($run)->facts->steps, 'install/torque-', 'install/torque-tool'))[0];
        $this->pass($run, $lug->id);
        $this->send($run, [$this->answer($lug->id, ['value' => $lug->band?->nominal])])->assertJsonPath('refused.0.path', '/answers/0/so');
        $this->send($run, [$this->answer($lug->id, ['value' => 1, 'so' => true])])->assertJsonPath('refused.0.path', '/answers/0/note');
        $this->send($run, [$this->answer($lug->id, ['value' => 1, 'so' => true, 'note' => 'Stripped.'])])->assertJsonCount(1, 'kept');
        self::assertSame('not_so', $this->page($run)->progress->states[$lug->id]->value, 'a note closes no loose lug');
        self::assertSame('locked', $this->page($run)->progress->states['dead_checks/bond-one']->value);
        $this->send($run, [$this->answer($lug->id, ['value' => $lug->band?->nominal, 'so' => true])])->assertJsonCount(1, 'kept');
        $this->pass($run, 'install/done');
        $this->send($run, [$this->answer('install/done', ['so' => true])])->assertJsonPath('refused', []);
        self::assertSame('open', $this->page($run)->progress->states['inspect/landing']->value);
        $csv = (string) $this->get("/runs/$run->id/measurements.csv")->getContent();
        self::assertStringContainsString("$lug->id,", $csv);
        self::assertStringContainsString('in-lb', $csv);
    }

    #[Test]
    public function a_wrong_landing_stands_against_its_step_until_the_plan_is_put_right(): void
    {
        $user = $this->signIn();
        $switch = $this->surveyed($user);
        $lines = (new LandingWork($switch, new PlanFacts($switch, $switch->plan)))->enclosures['gen']->lines;
        $typed = static fn(bool $isWrong): array => [
            'enclosures' => [
                'gen' => array_map(
                    static fn(array $line): array => ($isWrong && $line['conductor'] === 'L1' ? ['on' => 'N'] : []) + array_diff_key(
                        $line,
                        ['size' => true, 'place' => true],
                    ),
                    $lines,
                ),
            ],
        ];
        $this->put("/switches/$switch->id/landing", $typed(true))->assertSessionHasNoErrors();
        $run = $this->begun($switch);
        while (($step = $this->page($run)->next()) !== null && $step->stoppedBy === []) {
            $this->send($run, [$this->answer($step->id, self::asExpected($step))])->assertJsonPath('refused', []);
        }
        self::assertSame('install/land-gen', $step?->id, 'the rest is done first');
        $this->send($run, [$this->answer('install/land-gen', ['so' => true])])->assertJsonPath('refused.0.path', '/answers/0/so');
        $this->send(
            $run,
            [$this->answer('install/land-gen', ['skip_reason' => 'Late.'])],
        )->assertJsonPath('refused.0.path', '/answers/0/skip_reason');
        $this->get("/runs/$run->id/procedure")->assertSee(
            'It cannot be called done while this stands.',
        )->assertSee('A line conductor is on the neutral bar');
        $this->put("/switches/$switch->id/landing", $typed(false))->assertSessionHasNoErrors();
        $this->get("/runs/$run->id/procedure")->assertSee('The survey or the plan has changed');
        self::assertSame(
            'stopped',
            $this->page($run)->progress->states['install/land-gen']->value,
            'a run keeps the plan it was begun with',
        );
        $this->post("/runs/$run->id/follow")->assertSessionHas('said');
        $this->get("/runs/$run->id/procedure")->assertDontSee('The survey or the plan has changed');
        $this->send($run, [$this->answer('install/land-gen', ['so' => true])])->assertJsonCount(1, 'kept');
    }

    #[Test]
    public function a_landing_list_that_cannot_be_judged_stops_the_runs_that_land_there(): void
    {
        $switch = $this->surveyed($this->signIn(), InstallationKind::Mobile30);
        $tables = (new LandingWork($switch, new PlanFacts($switch, $switch->plan)))->enclosures;
        $id = (string) array_key_first($tables);
        $this->put(
            "/switches/$switch->id/landing",
            [
                'enclosures' => [
                    $id => array_map(
                        static fn(array $line): array => ['on' => 'L3'] + array_diff_key($line, ['size' => true, 'place' => true]),
                        $tables[$id]->lines,
                    ),
                ],
            ],
        )->assertSessionHasNoErrors();
        $stopped = array_filter($this->page($this->begun($switch))->facts->steps, static fn(Step $step): bool => $step->stoppedBy !== []);
        self::assertNotEmpty($stopped);
        foreach ($stopped as $step) {
            self::assertStringStartsWith('install/pull-', $step->id);
            self::assertStringContainsString('cannot be judged', $step->stoppedBy[0]);
        }
    }

    #[Test]
    public function a_signed_report_stays_as_it_was_when_the_plan_goes_on(): void
    {
        $switch = $this->surveyed($this->signIn());
        $run = $this->begun($switch);
        $this->pass($run, 'install/torque-tool');
        Run::query()->whereKey($run->id)->update(['signed_at' => now(), 'signed_name' => 'Ana', 'verdict' => 'incomplete']);
        $before = $this->get("/runs/$run->id/report.json")->json('procedure');
        $switch->loads()->create([
            'company_id' => $switch->company_id,
            'name' => 'Sauna',
            'kw' => 9,
            'priority' => 9,
            'must_run' => true,
            'shed' => false,
            'essential' => true,
            'place' => 9,
        ]);
        self::assertSame($before, $this->get("/runs/$run->id/report.json")->json('procedure'));
    }

    #[Test]
    public function the_tool_of_the_pack_list_is_asked_for_its_calibration(): void
    {
        $user = $this->signIn();
        $switch = $this->surveyed($user);
        $tool = fn(?string $on): Step => $this->page($this->begun($this->calibrated($switch, $user, $on)))
            ->facts
            ->steps['install/torque-tool'];
        self::assertSame([], $tool(now()->subDays(364)->format('Y-m-d'))->stoppedBy);
        self::assertStringContainsString('calibration', $tool(now()->subDays(400)->format('Y-m-d'))->stoppedBy[0]);
        self::assertStringContainsString('number and date are written down', $tool(null)->expectation);
    }

    /** @param array<string, string> $form */
    #[Test, DataProvider('tools')]
    public function the_unit_is_that_of_the_tool_in_hand(array $form, string $units, string $unit): void
    {
        $switch = $this->surveyed($this->signIn());
        $switch->site->update(['units' => $units]);
        $run = $this->begun($switch, $form);
        self::assertSame(
            $unit,
            array_values($this->starting($this->page($run)->facts->steps, 'install/torque-', 'install/torque-tool'))[0]->band?->unit,
        );
    }

    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function tools(): iterable
    {
        yield 'a metric site' => [[], 'metric', 'N·m'];
        yield 'a US site' => [[], 'us', 'in-lb'];
        yield 'a metric site and a tool in foot-pounds' => [['torque_unit' => 'ft_lb'], 'metric', 'ft-lb'];
    }

    #[Test]
    public function a_unit_that_is_none_is_told_at_its_field(): void
    {
        $switch = $this->surveyed($this->signIn());
        $this->post(
            "/switches/$switch->id/commission",
            ['hazards_read' => '1', 'torque_unit' => 'kgm'],
        )->assertSessionHasErrors('torque_unit');
    }

    #[Test]
    public function a_whole_sheet_is_filled_in_at_a_desk_in_the_order_of_the_work(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->get("/runs/$run->id/sheet")->assertOk()->assertSee('Keep what is filled in');
        $rows = array_map(
            static fn(Step $step): array => ['step' => $step->id] + array_map(
                static fn(mixed $value): string => $value === true ? '1' : (string) $value,
                self::asExpected($step),
            ),
            array_values($this->page($run)->facts->steps),
        );
        $rows = array_values(array_filter(
            $rows,
            static fn(array $row): bool => ! str_contains($row['step'], '/time-') && $row['step'] !== 'bait_test/bait',
        ));
        $this->put("/runs/$run->id/sheet", ['answers' => $rows])->assertRedirect()->assertSessionHas('faults');
        $open = array_map(
            strval(...),
            array_keys(array_filter($this->page($run)->progress->states, static fn($state): bool => ! $state->isClosed())),
        );
        self::assertEqualsCanonicalizing(
            [
                'simulated_outage/time-start-signal',
                'simulated_outage/time-engine-running',
                'simulated_outage/time-transfer',
                'bait_test/bait',
                'bait_test/stayed',
                'return/time-return',
                'return/time-engine-stop',
            ],
            $open,
            'the stopwatch answers the rest',
        );
    }

    #[Test]
    public function what_a_sheet_is_refused_stays_as_it_was_typed_and_the_rest_is_kept(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->put("/runs/$run->id/sheet", ['answers' => [
            ['step' => 'isolate/briefing', 'so' => '1'],
            ['step' => 'isolate/block-engine', 'so' => '', 'note' => ''],
            ['step' => 'inspect/battery-rest', 'value' => '12,x', 'note' => 'scribbled'],
            ['step' => 'isolate/proved-dead', 'skip' => '1', 'note' => 'Late.'], 'rubbish',
        ]])->assertRedirect()->assertSessionHas('said', 'One answer is kept, 2 are not: they stand below as they were typed.');
        self::assertSame(['isolate/briefing'], StepAnswer::query()->pluck('step')->all(), 'an empty row is no answer');
        $this->get("/runs/$run->id/sheet")
            ->assertSee('12,x')
            ->assertSee('scribbled')
            ->assertSee('A number is needed.')
            ->assertSee('It waits for');
        $this->put("/runs/$run->id/sheet", ['answers' => 'rubbish'])->assertSessionHas('said', 'Nothing was filled in.');
    }

    #[Test]
    public function a_viewer_reads_the_sheet_and_fills_in_nothing(): void
    {
        $owner = $this->signIn();
        $run = $this->runOf($this->switchOf($owner));
        $this->actingAs(UserFactory::make(Role::Viewer, $owner->company_id));
        $this->get("/runs/$run->id/sheet")->assertOk()->assertDontSee('Keep what is filled in');
        $this->put("/runs/$run->id/sheet", ['answers' => []])->assertForbidden();
    }

    private function surveyed(User $user, InstallationKind $kind = InstallationKind::WholeHouse): TransferSwitch
    {
        $switch = $this->switchOf($user, $kind);
        $switch->site->update(['service_a' => 200]);
        $switch->update(['rating_a' => 200, 'poles' => 2, 'service_rated' => true, 'fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        Plan::keep(
            $switch,
            $user,
            ['facts' => ['neutral_switched' => false, 'generator_bonded' => true, 'panel_bonded' => true, 'service_bonded' => true]],
        );
        $switch->loads()->create([
            'company_id' => $user->company_id,
            'name' => 'Lights',
            'kw' => 1.2,
            'priority' => 1,
            'must_run' => true,
            'shed' => false,
            'essential' => true,
            'place' => 1,
        ]);

        return $switch->refresh()->load(['site', 'loads', 'plan']);
    }

    private function calibrated(TransferSwitch $switch, User $user, ?string $on): TransferSwitch
    {
        Plan::keep($switch, $user, ['pack' => $on === null ? [] : ['calibrated' => [MaterialsList::torqueToolKey() => $on]]]);

        return $switch->refresh()->load(['site', 'loads', 'plan']);
    }

    /** @param array<string, string> $form */
    private function begun(TransferSwitch $switch, array $form = []): Run
    {
        $this->post(
            "/switches/$switch->id/commission",
            $form + ['hazards_read' => '1', 'options' => ['install' => '1']],
        )->assertSessionHasNoErrors();

        return Run::query()->latest('id')->firstOrFail();
    }

    /**
     * @param array<string, Step> $steps
     *
     * @return array<string, Step>
     */
    private function starting(array $steps, string $start, string $but = ''): array
    {
        return array_filter($steps, static fn(string $id): bool => str_starts_with($id, $start) && $id !== $but, ARRAY_FILTER_USE_KEY);
    }
}
