<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\RecordEntry;
use App\Models\Role;
use App\Models\Run;
use App\Models\Sheet;
use App\Models\Standing;
use App\Models\StepAnswer;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Record\RecordChain;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

final class ProcedureTest extends TestCase
{
    use WorksThrough;

    #[Test, DataProvider('kinds')]
    public function every_kind_has_its_procedure_on_a_page(InstallationKind $kind): void
    {
        $run = $this->runOf($this->switchOf($this->signIn(), $kind));
        $this->get("/runs/$run->id/procedure")
            ->assertOk()
            ->assertSee('Say aloud what will happen')
            ->assertSee('Prove dead')
            ->assertSee('Hazard.');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function a_whole_run_is_worked_through_step_by_step_and_its_record_verifies(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $asked = [];
        while (($step = $this->page($run)->next()) !== null) {
            self::assertNotContains($step->id, $asked, 'asked once');
            $asked[] = $step->id;
            $this->post(
                "/runs/$run->id/procedure",
                self::asExpected($step) + ['step' => $step->id],
            )->assertRedirect()->assertSessionMissing('fault');
        }
        $page = $this->page($run);
        self::assertSame(count($page->facts->steps), $page->progress->closed());
        self::assertSame(count($asked), StepAnswer::query()->count());
        $export = Node::fromJson((string) $this->get("/runs/$run->id/report.json")->getContent());
        self::assertTrue((new RecordChain())->verifyExport($export)['verified']);
    }

    #[Test]
    public function what_lies_behind_a_hold_point_takes_no_answer_and_a_hold_point_is_not_left_out(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $refused = $this->send($run, [$this->answer('inspect/torque', ['so' => true])])->assertOk()->json('refused.0');
        self::assertSame('/answers/0/step', $refused['path']);
        self::assertStringContainsString('Prove dead', $refused['message']);
        $first = array_map(
            fn(string $step): array => $this->answer("isolate/$step", ['so' => true, 'note' => 'Tag 14.']),
            ['briefing', 'block-engine', 'upstream', 'line-side-dead', 'open-q1', 'open-panel.main'],
        );
        $this->send($run, $first)->assertJsonCount(6, 'kept');
        $refused = $this->send($run, [$this->answer('isolate/proved-dead', ['skip_reason' => 'In a hurry.'])])->json('refused.0');
        self::assertSame('/answers/0/skip_reason', $refused['path']);
        $this->send($run, [$this->answer('isolate/proved-dead', ['so' => false, 'note' => 'L2 shows 118 V.'])])->assertJsonCount(1, 'kept');
        self::assertSame('not_so', $this->page($run)->progress->states['isolate/proved-dead']->value);
        $this->send($run, [$this->answer('inspect/torque', ['so' => true])])->assertJsonCount(0, 'kept');
        $this->send(
            $run,
            [$this->answer('isolate/proved-dead', ['so' => true]), $this->answer('inspect/torque', ['so' => true])],
        )->assertJsonCount(2, 'kept');
    }

    #[Test]
    public function a_batch_sent_twice_is_kept_once_and_a_strange_id_is_refused(): void
    {
        $user = $this->signIn();
        $run = $this->runOf($this->switchOf($user));
        $batch = array_map(fn(string $step): array => $this->answer("isolate/$step", ['so' => true]), ['briefing', 'block-engine']);
        $this->send($run, $batch)->assertJsonCount(2, 'kept');
        $this->send($run, [...$batch, ...$batch])->assertJsonCount(4, 'kept')->assertJsonCount(0, 'refused');
        self::assertSame(2, StepAnswer::query()->count());
        self::assertSame(3, RecordEntry::query()->count(), 'the beginning and two answers');
        $other = $this->runOf($this->switchOf($user));
        $this->send($other, $batch)->assertJsonCount(0, 'kept')->assertJsonPath('refused.0.path', '/answers/0/id');
    }

    /** @param array<string, mixed> $fault */
    #[Test, DataProvider('faults')]
    public function a_bad_answer_is_named_by_its_pointer_and_the_good_ones_are_kept(array $fault, string $path): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->send(
            $run,
            [$fault + $this->answer('isolate/briefing', ['so' => true]), $this->answer('isolate/block-engine', ['so' => true])],
        )
            ->assertOk()->assertJsonPath('refused.0.path', "/answers/0/$path")->assertJsonCount(1, 'kept');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'no id' => [['id' => null], 'id'];
        yield 'a step that is none' => [['step' => 'isolate/pray'], 'step'];
        yield 'so in words' => [['so' => 'yes'], 'so'];
        yield 'a figure in words' => [['value' => '120'], 'value'];
        yield 'a note too long' => [['note' => str_repeat('x', 501)], 'note'];
        yield 'not so, and nothing said' => [['so' => false], 'note'];
        yield 'a signature that is no drawing' => [['drawing' => '<svg onload=1>'], 'drawing'];
        yield 'a name too long' => [['name' => str_repeat('x', 121)], 'name'];
        yield 'pictures that are none' => [['photos' => ['one']], 'photos'];
        yield 'too many pictures' => [['photos' => array_fill(0, 41, '3f0e0000-0000-4000-8000-000000000000')], 'photos'];
        yield 'pictures not in a list' => [['photos' => 'one'], 'photos'];
        yield 'left out, which it is never' => [['skip_reason' => 'Late.'], 'skip_reason'];
    }

    #[Test]
    public function a_value_beside_its_band_wants_a_note_and_what_was_typed_is_kept(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->pass($run, 'inspect/battery-rest');
        $this->post("/runs/$run->id/procedure", ['step' => 'inspect/battery-rest', 'value' => '11,9'])->assertRedirect();
        $this->get("/runs/$run->id/procedure")
            ->assertSee('field-error', false)
            ->assertSee('value="11,9"', false)
            ->assertSee('12.4 V at least');
        $this->post(
            "/runs/$run->id/procedure",
            ['step' => 'inspect/battery-rest', 'value' => '11,9', 'note' => 'Charger was off.'],
        )->assertSessionMissing('fault');
        self::assertSame(Verdict::Noted, StepAnswer::query()->where('step', 'inspect/battery-rest')->firstOrFail()->verdict);
    }

    #[Test]
    public function the_stopwatch_answers_the_timed_steps_and_repeats_have_a_middle(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        foreach ([0, 1, 2] as $i) {
            $this->sendMarks($run, self::timed(['transferred' => 21_000 + 200 * $i] + self::IN_TIME, 1_000_000 * $i))->assertOk();
        }
        $page = $this->page($run);
        self::assertSame('done', $page->progress->states['simulated_outage/time-transfer']->value);
        self::assertStringContainsString('21.2', (string) $page->timed($page->facts->steps['simulated_outage/time-transfer']));
        self::assertStringContainsString('0.4', (string) $page->timed($page->facts->steps['simulated_outage/time-transfer']));
    }

    #[Test]
    public function a_new_version_of_the_sheet_opens_exactly_the_steps_it_changes(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $run = $this->runOf($switch);
        $this->pass($run, 'simulated_outage/time-start-signal');
        $this->send(
            $run,
            [
                $this->answer('simulated_outage/time-start-signal', ['note' => 'By ear.']),
                $this->answer('simulated_outage/time-engine-running', ['note' => 'By ear.']),
            ],
        )->assertJsonCount(2, 'kept');
        $sheet = $switch->sheet()->firstOrFail();
        Sheet::query()->create([
            'company_id' => $user->company_id,
            'switch_id' => $switch->id,
            'version' => 2,
            'standing' => Standing::AsLeft,
            'settings' => ['start_delay_ms' => 8000] + $sheet->settings,
            'habits' => $sheet->habits,
            'user_id' => $user->id,
        ]);
        $this->get("/runs/$run->id/procedure")->assertSee('The sheet is at version 2')->assertSee('Go on with them as they are now');
        $closed = $this->page($run)->progress->closed();
        $this->post("/runs/$run->id/follow")->assertRedirect();
        $page = $this->page($run);
        self::assertSame(
            ['simulated_outage/time-start-signal' => 'reopened'],
            array_map(
                static fn($state): string => $state->value,
                array_filter($page->progress->states, static fn($state): bool => $state->value === 'reopened'),
            ),
        );
        self::assertSame($closed - 1, $page->progress->closed());
        $entry = RecordEntry::query()->where('run_id', $run->id)->orderByDesc('seq')->firstOrFail()->entry;
        self::assertStringContainsString('sheet_followed', $entry);
        self::assertStringContainsString('time-start-signal', $entry);
    }

    #[Test]
    public function a_plan_that_an_earlier_edition_wrote_otherwise_has_not_changed(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $work = $run->work ?? [];
        foreach ($work['topology']['elements'] as $i => $element) {
            $work['topology']['elements'][$i] += match ($element['type']) {
                'disconnect' => ['service' => false],
                'switch' => ['main_a' => null, 'service_rated' => false],
                default => [],
            };
        }
        $run->update(['work' => $work]);
        self::assertStringContainsString('"main_a":null', json_encode($run->refresh()->work, JSON_THROW_ON_ERROR));
        $this->get("/runs/$run->id/procedure")->assertOk()->assertDontSee('The survey or the plan has changed');
        $run->switch->update(['rating_a' => 125]);
        $this->get("/runs/$run->id/procedure")->assertSee('The survey or the plan has changed');
    }

    #[Test]
    public function two_people_who_disagree_are_both_kept_and_shown(): void
    {
        $user = $this->signIn();
        $run = $this->runOf($this->switchOf($user));
        $this->send($run, [$this->answer('isolate/briefing', ['so' => true])]);
        $second = UserFactory::make(Role::Technician);
        User::query()->whereKey($second->id)->update(['company_id' => $user->company_id]);
        $this->actingAs($second->refresh());
        $this->send($run, [$this->answer('isolate/briefing', ['so' => false, 'note' => 'The owner is away.'])])->assertJsonCount(1, 'kept');
        $this->get("/runs/$run->id/procedure")->assertSee('Two people disagree')->assertSee('The owner is away.');
        self::assertSame(2, StepAnswer::query()->count());
    }

    #[Test]
    public function times_alone_do_not_prove_a_run_whose_procedure_was_left_half_way(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->sendMarks($run, self::timed())->assertOk();
        $this->send($run, [$this->answer('isolate/briefing', ['so' => true])])->assertJsonCount(1, 'kept');
        $this->send(
            $run,
            [
                $this->answer('isolate/block-engine', ['so' => true]),
                $this->answer('isolate/upstream', ['so' => true, 'note' => 'Tag 14.']),
                $this->answer('isolate/line-side-dead', ['so' => true]),
            ],
        )->assertJsonCount(3, 'kept');
        $this->get("/runs/$run->id")->assertSeeInOrder(['Proves', 'Times', 'Leaves open', 'Checks while dead and bonds']);
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Ana'])->assertRedirect();
        self::assertSame('incomplete', $run->refresh()->verdict, 'the dead checks were begun and not finished');
        $this->get("/runs/$run->id/report")->assertSee('Prove dead: not answered.');
    }

    #[Test, DataProvider('kinds')]
    public function the_isolation_plan_of_every_kind_is_printed_with_and_without_answers(InstallationKind $kind): void
    {
        $run = $this->runOf($this->switchOf($this->signIn(), $kind));
        $this->get("/runs/$run->id/procedure")->assertSee("/runs/$run->id/isolation.pdf", false);
        $this->get("/runs/$run->id/isolation.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->send($run, [$this->answer('isolate/briefing', ['so' => true])])->assertJsonCount(1, 'kept');
        $page = $this->page($run);
        $html = view(
            'handover.isolation-pdf',
            ['page' => $page, 'steps' => $page->stages()['Isolate'], 'pairs' => ['L1–N'], 'drawings' => []],
        )->render();
        foreach ($page->stages()['Isolate'] as $step) {
            self::assertStringContainsString(e($step->title), $html);
            self::assertStringContainsString(e((string) $step->hazard), $html);
        }
        self::assertSame(
            1,
            preg_match_all('/' . preg_quote(e($run->user->name), '/') . '\s*<br/', $html),
            'who did it stands in its line only',
        );
        self::assertStringContainsString('Prove dead, hold point', $html);
    }

    #[Test]
    public function what_was_measured_goes_out_with_its_band(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->pass($run, 'inspect/battery-rest');
        $this->send($run, [$this->answer('inspect/battery-rest', ['value' => 12.7])])->assertJsonPath('refused', []);
        $csv = (string) $this->get("/runs/$run->id/measurements.csv")->assertOk()->getContent();
        $lines = array_map(static fn(string $line): array => str_getcsv($line, escape: ''), explode("\n", trim($csv)));
        $byStep = array_column($lines, null, 0);
        self::assertSame(['V', '12.4', '', '12.7', 'done'], array_slice($byStep['inspect/battery-rest'], 3, 5));
        self::assertSame('locked', $byStep['no_load_run/generator-hz'][7]);
    }

    #[Test]
    public function the_unbalance_is_worked_out_from_the_volts_that_were_read(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn(), InstallationKind::ContactorGenerator));
        $volts = [
            'on_load_checks/generator-volts-L1' => 122.0,
            'on_load_checks/generator-volts-L2' => 120.0,
            'on_load_checks/generator-volts-L3' => 118.0,
        ];
        $this->send(
            $run,
            array_map(
                fn(Step $step): array => $this->answer(
                    $step->id,
                    isset($volts[$step->id]) ? ['value' => $volts[$step->id]] : self::asExpected($step),
                ),
                array_values($this->page($run)->facts->steps),
            ),
        )->assertJsonPath('refused', []);
        $this->get(
            "/runs/$run->id/procedure?step=on_load_checks/unbalance",
        )->assertSee('From what was read before')->assertSee('value="1.67"', false);
    }

    #[Test]
    public function a_signed_run_takes_no_answer(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        Run::query()->whereKey($run->id)->update(['signed_at' => now(), 'signed_name' => 'Ana', 'verdict' => 'incomplete']);
        $this->send($run, [$this->answer('isolate/briefing', ['so' => true])])->assertStatus(409);
        $this->get("/runs/$run->id/procedure")->assertOk()->assertDontSee('now-form', false);
    }

    #[Test]
    public function the_schools_are_chosen_when_the_run_begins(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post(
            "/switches/$switch->id/commission",
            [
                'hazards_read' => '1',
                'options' => [
                    'bait' => '0',
                    'manual_transfer' => '1',
                    'owner_present' => '0',
                    'photos' => '0',
                    'load_bank' => '0',
                    'droop' => '1',
                ],
            ],
        )->assertRedirect();
        $run = Run::query()->latest('id')->firstOrFail();
        $page = $this->page($run);
        self::assertArrayNotHasKey('bait_test/bait', $page->facts->steps);
        self::assertArrayHasKey('manual_transfer/lever', $page->facts->steps);
        self::assertArrayNotHasKey('clean_up/sign-owner', $page->facts->steps);
        self::assertSame('59.5 to 63.5 Hz', $page->facts->steps['no_load_run/generator-hz']->expectation);
    }
}
