<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\ProofFacts;
use App\Bridge\ProofFromRuns;
use App\Http\SettingAnchor;
use App\Models\Mark;
use App\Models\PartProof;
use App\Models\RecordEntry;
use App\Models\Run;
use App\Models\TransferSwitch;
use App\Stage\Commissioning\KeepParts;
use Escapement\Core\Commissioning\Diagnoses;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Proof\PartStanding;
use Escapement\Core\Commissioning\Proof\PartState;
use Escapement\Core\Commissioning\Proof\ProofBasis;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\Proof\StandingResult;
use Escapement\Core\Commissioning\Proof\StandingState;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class CommissioningTest extends TestCase
{
    private const GOOD = [
        'utility_off' => 0,
        'start_signal' => 5600,
        'engine_running' => 11_300,
        'transferred' => 21_200,
        'bait_on' => 60_000,
        'bait_off' => 70_000,
        'utility_on' => 180_000, 'retransferred' => 480_400, 'engine_stopped' => 606_900,
    ];

    #[Test]
    public function a_run_begins_only_after_the_hazards_are_read(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post("/switches/$switch->id/commission")->assertSessionHasErrors('hazards_read');
        self::assertSame(0, Run::query()->count());
        $run = $this->runOf($switch);
        $this->get("/runs/$run->id")->assertOk()->assertSee('it starts by itself');
    }

    #[Test]
    public function an_id_in_capitals_and_an_edit_in_the_same_batch_are_the_same_mark(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        [$mark] = $this->marks(['utility_off' => 0]);
        $this->send(
            $run,
            [$mark, ['note' => 'second look'] + $mark, ['id' => strtoupper($mark['id']), 'note' => 'second look'] + $mark],
        )->assertOk()->assertJsonCount(3, 'kept');
        $this->send($run, [['id' => strtoupper($mark['id']), 'undone' => true] + $mark])->assertJsonCount(1, 'kept');
        $stored = Mark::query()->firstOrFail();
        self::assertSame(1, Mark::query()->count());
        self::assertTrue($stored->is_undone);
        self::assertSame(
            ['run_begun', 'mark', 'mark_edited', 'mark_edited'],
            RecordEntry::query()->orderBy('seq')->get()->map(
                static fn(RecordEntry $entry): string => json_decode($entry->entry, true)['kind'],
            )->all(),
        );
    }

    #[Test]
    public function marks_sent_twice_and_out_of_order_are_kept_once(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $marks = $this->marks(self::GOOD);
        $this->send($run, array_reverse($marks))->assertOk()->assertJsonCount(9, 'kept');
        $this->send($run, $marks)->assertOk()->assertJsonCount(9, 'kept');
        self::assertSame(9, Mark::query()->count());
        self::assertSame(10, RecordEntry::query()->count(), 'one for the beginning, one a mark, none for the repeats');
        $this->get(
            "/runs/$run->id/verdict",
            ['HX-Request' => 'true'],
        )->assertSee('Every time is inside its window')->assertSee('not taken');
    }

    #[Test]
    public function a_diagnosis_leads_to_the_very_setting_on_the_sheet(): void
    {
        $switch = $this->switchOf($this->signIn());
        $sheet = (string) $this->get("/switches/$switch->id/settings")->getContent();
        $ids = [
            'start-early',
            'start-late',
            'running-early',
            'running-late',
            'transfer-early',
            'transfer-late-upstream',
            'transfer-late-warm-up',
            'transfer-late',
            'return-early',
            'return-late',
            'stop-early',
            'stop-late',
            'took-the-bait',
            'bait-void',
            'engine-not-running',
        ];
        $paths = array_filter(array_column((new Diagnoses())->findings(array_fill_keys($ids, [0])), 'path', 'id'));
        self::assertCount(13, $paths);
        foreach ($paths as $id => $path) {
            self::assertStringContainsString('id="' . SettingAnchor::of($path) . '"', $sheet, $id);
        }
        $run = $this->runOf($switch);
        $this->send($run, $this->marks(['utility_off' => 0, 'start_signal' => 1000]))->assertOk();
        $this->get("/runs/$run->id/verdict", ['HX-Request' => 'true'])->assertSee(
            "/switches/$switch->id/settings#f-f-start-delay-ms",
            false,
        );
    }

    #[Test]
    public function an_undone_mark_is_kept_struck_out_and_the_record_has_both(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        [$mark] = $this->marks(['utility_off' => 0]);
        $this->send($run, [$mark]);
        $this->send($run, [['undone' => true] + $mark])->assertOk();
        self::assertTrue(Mark::query()->firstOrFail()->is_undone);
        self::assertSame(
            ['run_begun', 'mark', 'mark_edited'],
            RecordEntry::query()->orderBy('seq')->get()->map(
                static fn(RecordEntry $entry): string => json_decode($entry->entry)->kind,
            )->all(),
        );
    }

    #[Test]
    public function a_mark_before_the_one_before_is_kept_and_flagged(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->send($run, $this->marks(['utility_off' => 5000]));
        $this->send($run, $this->marks(['start_signal' => 4000]))->assertJsonCount(1, 'kept');
        self::assertNotNull(Mark::query()->where('event', 'start_signal')->firstOrFail()->flag);
    }

    /** @param array<string, mixed> $fault */
    #[Test, DataProvider('faults')]
    public function a_bad_mark_is_named_and_the_good_ones_beside_it_are_kept(string $path, array $fault): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        [$good, $bad] = $this->marks(['utility_off' => 0, 'start_signal' => 5000]);
        $this->send($run, [$good, $fault + $bad])
            ->assertOk()
            ->assertJsonPath('refused.0.path', $path)
            ->assertJsonPath('kept', [$good['id']]);
        self::assertSame(1, Mark::query()->count());
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function faults(): iterable
    {
        yield 'an id that is none' => ['/marks/1/id', ['id' => '7']];
        yield 'an unknown event' => ['/marks/1/event', ['event' => 'lunch']];
        yield 'a time as text' => ['/marks/1/at_ms', ['at_ms' => '5']];
        yield 'a time before the start' => ['/marks/1/at_ms', ['at_ms' => -1]];
        yield 'a note without end' => ['/marks/1/note', ['note' => str_repeat('x', 501)]];
        yield 'undone that is no truth' => ['/marks/1/undone', ['undone' => 1]];
    }

    #[Test]
    public function an_id_of_another_run_changes_nothing_there(): void
    {
        $switch = $this->switchOf($this->signIn());
        $first = $this->runOf($switch);
        [$mark] = $this->marks(['utility_off' => 0]);
        $this->send($first, [$mark]);
        $this->send($this->runOf($switch), [['undone' => true] + $mark])->assertJsonPath('refused.0.path', '/marks/0/id');
        self::assertFalse(Mark::query()->firstOrFail()->is_undone);
    }

    #[Test]
    public function the_bait_that_was_taken_fails_the_run_on_the_board_too(): void
    {
        $switch = $this->switchOf($this->signIn());
        $run = $this->runOf($switch);
        $this->send($run, $this->marks(['bait_off' => 75_000, 'retransferred' => 64_000] + self::GOOD));
        $this->post(
            "/runs/$run->id/sign",
            ['signed_name' => 'P. One', 'signed_drawing' => 'M1 2L3 4'],
        )->assertRedirect("/runs/$run->id/report");
        self::assertSame('fail', $run->refresh()->verdict);
        $this->get('/')->assertSee('part of the proof failed')->assertSee('bait test');
        $this->get("/runs/$run->id/report")->assertSee('took it')->assertSee('had not proved itself');
    }

    #[Test]
    public function an_outage_test_proves_its_parts_and_says_what_is_missing(): void
    {
        $switch = $this->switchOf($this->signIn());
        $run = $this->runOf($switch);
        $this->send($run, $this->marks(self::GOOD));
        $this->get("/runs/$run->id")->assertSeeInOrder([
            'Proves', 'Sensing of an outage', 'Times', 'Bait test', 'Not part of this run', 'Checks while dead and bonds',
        ]);
        $this->post("/runs/$run->id/sign", ['signed_name' => 'P. One', 'signed_drawing' => 'M1 2L3 4', 'left_ready' => '1']);
        self::assertSame('pass', $run->refresh()->verdict);
        self::assertSame(
            ['bait', 'left_ready', 'sensing', 'times'],
            PartProof::query()->where('outcome', 'proved')->pluck('part')->map(
                static fn(ProofPart $part): string => $part->value,
            )->sort()->values()->all(),
        );
        $this->get('/')->assertSee('0 of 1 proven in every part')->assertSee('is times proven')->assertSee('checks while dead and bonds');
        $this->get("/runs/$run->id/report")->assertSee('Proved by this run')->assertSee(
            'Checks while dead and bonds: not part of this run',
        );
        $this->get("/switches/$switch->id/commission")->assertSee('Times proven')->assertSee('by P. One');
        $this->runOf($switch);
        $this->get('/')->assertSee('times proven')->assertSee('has a run that is not signed');
    }

    #[Test]
    public function an_outage_test_on_a_proven_site_leaves_the_others_with_their_dates(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->travelTo('2026-03-03 12:00:00');
        $first = $this->signed($switch);
        foreach (ProofPart::cases() as $part) { // as a whole procedure would have proved them
            PartProof::query()->firstOrCreate(
                ['run_id' => $first->id, 'part' => $part],
                [
                    'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'outcome' => 'proved', 'why' => [], 'basis' => [],
                    'by_name' => 'P. One', 'proved_at' => now(),
                ],
            );
        }
        self::assertSame(StandingState::Proven, $this->standing($switch)->state);
        $this->travelTo('2026-10-03 12:00:00');
        $this->signed($switch, 'R. Two');
        $standing = $this->standing($switch);
        self::assertSame(StandingState::Proven, $standing->state);
        self::assertSame(
            ['R. Two', 'P. One'],
            [$standing->part(ProofPart::Times)?->record?->by, $standing->part(ProofPart::DeadChecks)?->record?->by],
        );
        $this->get('/')->assertSee('1 of 1 proven in every part');
    }

    /** @param array<string, mixed> $change of the switch */
    #[Test, DataProvider('changes')]
    public function a_part_goes_stale_when_what_it_rests_on_changes_and_the_signed_verdict_does_not(
        array $change,
        ProofPart $part,
        string $says,
    ): void {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['poles' => 2, 'test_disconnect' => 'Q1', 'fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $run = $this->signed($switch);
        PartProof::query()->create([
            'run_id' => $run->id, 'part' => ProofPart::DeadChecks, 'company_id' => $switch->company_id, 'switch_id' => $switch->id,
            'outcome' => 'proved', 'why' => [], 'basis' => (new ProofBasis())->of(ProofPart::DeadChecks, ProofFacts::ofRun($run)),
            'by_name' => 'P. One', 'proved_at' => now(),
        ]);
        $before = $this->standing($switch);
        self::assertNotSame(StandingState::Stale, $before->state);
        $switch->update($change);
        $after = $this->standing($switch);
        self::assertSame(StandingState::Stale, $after->state);
        self::assertSame([$part], array_map(static fn(PartStanding $one): ProofPart => $one->part, $after->in(PartState::Stale)));
        self::assertSame([$says], $after->changes());
        self::assertSame('pass', $run->refresh()->verdict);
        $this->get('/')->assertSee('was changed after it was proved')->assertSee($says);
    }

    #[Test]
    public function a_proof_of_an_older_edition_is_shown_to_be_looked_at_again_and_keeps_its_verdict(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['poles' => 2, 'test_disconnect' => 'Q1', 'fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $run = $this->signed($switch);
        $page = route('runs', $switch);
        self::assertSame(ProcedureOptions::EDITION, PartProof::query()->where('part', 'sensing')->firstOrFail()->edition);
        $this->get($page)->assertDontSee('To be looked at again');
        $before = $this->standing($switch)->state;
        PartProof::query()->update(['edition' => 1]); // signed before the procedure grew
        $this->get($page)->assertSee('To be looked at again')->assertSee('each phase of each source is lost in turn');
        self::assertSame($before, $this->standing($switch)->state);
        self::assertSame('pass', $run->refresh()->verdict);
        foreach (array_filter(ProofPart::cases(), static fn(ProofPart $one): bool => $one !== ProofPart::LoadTest) as $part) {
            PartProof::query()->updateOrCreate(['run_id' => $run->id, 'part' => $part], [
                'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'outcome' => 'proved', 'edition' => 1, 'why' => [],
                'basis' => [], 'by_name' => 'P. One', 'proved_at' => now(),
            ]);
        }
        $this->get('/')->assertSee('is to be looked at again')->assertSee('sensing of an outage');
    }

    /** @return iterable<string, array{array<string, mixed>, ProofPart, string}> */
    public static function changes(): iterable
    {
        yield 'another device to open' => [['test_disconnect' => 'Q7'], ProofPart::Sensing, 'Outage test point: Q1, now Q7'];
        yield 'another pole' => [['poles' => 3], ProofPart::DeadChecks, 'Poles: 2, now 3'];
    }

    #[Test]
    public function a_run_with_nothing_answered_and_nothing_timed_cannot_be_signed_as_proof(): void
    {
        $switch = $this->switchOf($this->signIn());
        $run = $this->runOf($switch);
        $this->post(
            "/runs/$run->id/sign",
            ['signed_name' => 'P. One', 'signed_drawing' => 'M1 2L3 4'],
        )->assertSessionHasErrors('signed_name');
        $this->postJson(
            "/runs/$run->id/answers",
            ['answers' => [['id' => (string) Str::uuid(), 'step' => 'isolate/briefing', 'so' => true]]],
        )->assertJsonCount(1, 'kept');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'P. One', 'signed_drawing' => 'M1 2L3 4'])->assertSessionHasNoErrors();
        self::assertSame('incomplete', $run->refresh()->verdict);
        self::assertSame(StandingState::Never, $this->standing($switch)->state);
    }

    #[Test]
    public function signed_runs_of_before_are_read_into_parts_and_keep_their_verdict(): void
    {
        $switch = $this->switchOf($this->signIn());
        $run = $this->signed($switch);
        PartProof::query()->delete();
        Run::query()->whereKey($run->id)->update([
            'verdict' => 'incomplete', 'work' => null,
            'surveyed' => json_encode(['facts' => ['Poles' => '2', 'Load Range' => '8 kW'], 'plant' => $switch->plant]),
        ]);
        self::assertSame(1, app(KeepParts::class)->ofSignedRuns());
        self::assertSame(0, app(KeepParts::class)->ofSignedRuns(), 'once');
        self::assertSame('incomplete', $run->refresh()->verdict, 'what was signed stays');
        self::assertSame(ProofPart::Times, $this->standing($switch)->part(ProofPart::Times)?->part);
        self::assertContains($this->standing($switch)->state, [StandingState::TimesOnly, StandingState::Stale]);
    }

    private function signed(TransferSwitch $switch, string $name = 'P. One'): Run
    {
        $run = $this->runOf($switch);
        $this->send($run, $this->marks(self::GOOD));
        $this->post(
            "/runs/$run->id/sign",
            ['signed_name' => $name, 'signed_drawing' => 'M1 2L3 4', 'left_ready' => '1'],
        )->assertSessionHasNoErrors();

        return $run->refresh();
    }

    private function standing(TransferSwitch $switch): StandingResult
    {
        return ProofFromRuns::standing(TransferSwitch::query()->with([
            'site', 'loads', 'plan', 'sheet', 'run', 'proofs',
        ])->findOrFail($switch->id));
    }

    #[Test]
    public function a_signed_run_is_closed_and_goes_on_by_amendments(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->post("/runs/$run->id/sign", ['signed_name' => 'P. One'])->assertSessionHasErrors('signed_name');
        $this->send($run, $this->marks(self::GOOD));
        $this->post("/runs/$run->id/sign", ['signed_name' => ''])->assertSessionHasErrors('signed_name');
        $this->post(
            "/runs/$run->id/sign",
            ['signed_name' => 'P. One', 'signed_drawing' => '<script>'],
        )->assertSessionHasErrors('signed_drawing');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'P. One', 'signed_drawing' => 'M10 20L30 40'])->assertSessionHasNoErrors();
        $this->post("/runs/$run->id/sign", ['signed_name' => 'P. Two'])->assertSessionHasErrors('signed_name');
        $this->send($run, $this->marks(['engine_stopped' => 1]))->assertStatus(409);
        $this->post("/runs/$run->id/notes", ['text' => 'A lug was re-torqued.'])->assertSessionHasNoErrors();
        $this->get("/runs/$run->id/report")->assertSee('Amendment')->assertSee('A lug was re-torqued')->assertSee('chain whole');
        self::assertSame('P. One', $run->refresh()->signed_name);
    }

    #[Test]
    public function a_late_mark_needs_the_reason_why_it_is_late(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->post("/runs/$run->id/late", ['event' => 'utility_off', 'at_s' => '0'])->assertSessionHasErrors('late_reason');
        $this->post(
            "/runs/$run->id/late",
            ['event' => 'utility_off', 'at_s' => '0.25', 'late_reason' => 'paper slip'],
        )->assertSessionHasNoErrors();
        self::assertSame(250, Mark::query()->firstOrFail()->at_ms);
    }

    #[Test]
    public function the_exported_run_fits_its_schema_and_its_record_verifies_on_the_command_line(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->send($run, $this->marks(self::GOOD));
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Ünal, P.', 'signed_drawing' => 'M10 20L30 40']);
        $json = (string) $this->get("/runs/$run->id/report.json")->assertOk()->getContent();
        $valid = (new Validator())->validate(json_decode($json), (string) file_get_contents(base_path('docs/schema/run.schema.json')));
        self::assertTrue($valid->isValid(), (string) $valid->error()?->message());
        self::assertSame(0, $this->verify($json));
        self::assertSame(2, $this->verify(str_replace('"at_ms": 21200', '"at_ms": 21100', $json)));
    }

    #[Test]
    public function the_report_prints_as_a_pdf_with_its_words(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->send($run, $this->marks(self::GOOD));
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Person One', 'signed_drawing' => 'M10 20L30 40']);
        $pdf = (string) $this->get("/runs/$run->id/report.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
        self::assertStringStartsWith('%PDF-', $pdf);
        self::assertGreaterThan(15_000, strlen($pdf));
    }

    private function verify(string $json): int
    {
        $process = proc_open(
            PHP_BINARY . ' ' . base_path('bin/escapement') . ' verify-record -',
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        self::assertIsResource($process);
        fwrite($pipes[0], $json);
        fclose($pipes[0]);
        stream_get_contents($pipes[1]);
        stream_get_contents($pipes[2]);

        return proc_close($process);
    }

    /**
     * @param array<string, int> $times
     *
     * @return list<array<string, mixed>>
     */
    private function marks(array $times): array
    {
        return array_map(static fn(string $event, int $atMs): array => [
            'id' => (string) Str::uuid(),
            'event' => $event,
            'at_ms' => $atMs,
            'client_wall' => '2026-11-23T10:00:00.000Z',
            'note' => null,
            'late_reason' => null,
            'undone' => false,
        ], array_keys($times), $times);
    }

    /** @param list<array<string, mixed>> $marks */
    private function send(Run $run, array $marks): TestResponse
    {
        return $this->postJson("/runs/$run->id/marks", ['marks' => $marks]);
    }
}
