<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\CompanyKeys;
use App\Models\Equipment;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\RecordEntry;
use App\Models\Recording;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Record\Verification;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\MakesLoadTests;
use Tests\TestCase;

/** What happens in a load test is marked, pictured, imported from recorders, signed, and bound into a record. */
final class LoadTestRecordTest extends TestCase
{
    use MakesLoadTests;

    #[Test]
    public function marks_and_readings_of_a_phone_arrive_once_and_a_failure_is_a_step_of_its_own(): void
    {
        $test = $this->begun();
        $marks = array_map(fn(array $one): array => $this->mark(...$one), [
            ['started', '13:55'], ['step_up', '14:00', 50.0], ['utility_failed', '14:20'], ['utility_back', '14:24'],
        ]);
        $batch = ['readings' => [$this->reading('14:01'), $this->reading('14:11')], 'marks' => $marks];
        foreach ([1, 2] as $ignored) { // the answer was lost on its way back
            $answer = $this->postJson("/load-tests/$test->id/readings/batch", $batch)->assertOk();
            self::assertCount(6, $answer->json('kept'));
            self::assertSame([], $answer->json('refused'));
        }
        self::assertSame([4, 2], [LoadMark::query()->count(), LoadReading::query()->count()]);
        self::assertSame('utility_back', $answer->json('marks.3.kind'));
        $this->get("/load-tests/$test->id")->assertOk()->assertSee('Utility failed')->assertSee('4:00')
            ->assertSee('finding-failed-in-test', false)->assertSee('finding-bank-stayed-on', false);
        self::assertSame(7, RecordEntry::query()->where('load_test_id', $test->id)->count(), 'the plan, two readings, four marks');
        $refused = $this->postJson("/load-tests/$test->id/readings/batch", ['marks' => [
            ['kind' => 'exploded'] + $this->mark('started', '14:30'), 'nonsense', ['maker' => 999] + $this->mark('stopped', '14:30'),
        ]])->assertOk()->json('refused');
        self::assertCount(3, $refused);
        self::assertSame(4, LoadMark::query()->count());
    }

    #[Test]
    public function a_mark_at_the_desk_is_struck_out_with_its_reason_and_stays_in_sight(): void
    {
        $test = $this->begun();
        $page = "/load-tests/$test->id";
        $typed = ['id' => (string) Str::uuid(), 'kind' => 'step_up', 'time' => '09:30', 'level_pct' => '50'];
        $this->post("$page/marks", ['level_pct' => 'half'] + $typed)->assertSessionHasErrors('level_pct');
        $this->post("$page/marks", $typed)->assertSessionHasNoErrors();
        $this->post("$page/marks", $typed)->assertSessionHasNoErrors();
        $mark = LoadMark::query()->sole();
        self::assertSame('2026-11-26 14:30:00', $mark->at->format('Y-m-d H:i:s'), 'New York, in UTC');
        $this->delete("$page/marks/$mark->id", ['why' => ''])->assertSessionHasErrors('why');
        $this->delete("$page/marks/$mark->id", ['why' => 'the wrong button'])->assertSessionHasNoErrors();
        $this->get($page)->assertSee('struck out: the wrong button');
    }

    #[Test]
    public function a_picture_belongs_to_its_reading_and_is_kept_once(): void
    {
        $test = $this->begun();
        $reading = $this->reading('14:01');
        $photo = ['id' => (string) Str::uuid(), 'reading' => $reading['id']];
        $page = "/load-tests/$test->id/photos";
        $this->post($page, $photo + ['photo' => $this->picture()])->assertUnprocessable()->assertJsonPath('error.path', '/id');
        $this->postJson("/load-tests/$test->id/readings/batch", ['readings' => [$reading]])->assertOk();
        foreach ([1, 2] as $ignored) {
            $this->post($page, $photo + ['photo' => $this->picture()])->assertOk()->assertJson(['kept' => $photo['id']]);
        }
        $this->post($page, ['maker' => 999] + $photo + ['photo' => $this->picture()])->assertForbidden();
        $this->post($page, ['id' => (string) Str::uuid()] + $photo + [
            'photo' => UploadedFile::fake()->createWithContent('meter.jpg', 'words'),
        ])->assertUnprocessable()->assertJsonPath('error.path', '/photo');
        self::assertSame($reading['id'], Photo::query()->sole()->reading_id);
        $this->get("/load-tests/$test->id")->assertSee("/photos/{$photo['id']}/full.jpg");
    }

    #[Test]
    public function a_signed_test_verifies_as_a_whole_on_its_page_and_on_the_command_line(): void
    {
        $test = $this->signed();
        $this->get("/load-tests/$test->id/report")->assertOk()->assertSee('Passed, as signed')->assertSee('Record whole')
            ->assertSee('verdict follows from them')->assertSee('after signing');
        $this->get("/load-tests/$test->id/report.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $json = (string) $this->get("/load-tests/$test->id/report.json")->assertOk()->getContent();
        self::assertSame(['readings' => 4, 'signed' => 'pass'], array_intersect_key(
            Verification::of(Node::fromJson($json)),
            ['readings' => 1, 'signed' => 1],
        ));
        $valid = (new Validator())->validate(
            json_decode($json),
            (string) file_get_contents(base_path('docs/schema/load-test.schema.json')),
        );
        self::assertTrue($valid->isValid(), (string) json_encode($valid->error()?->data()->fullPath()));
    }

    #[Test, DataProvider('tamperings')]
    public function whoever_writes_into_the_tables_is_found(string $sql): void
    {
        $test = $this->signed();
        DB::statement($sql);
        $this->get("/load-tests/$test->id/report")->assertOk()->assertDontSee('Record whole');
        $this->expectException(BadInput::class);
        Verification::of(Node::fromJson((string) $this->get("/load-tests/$test->id/report.json")->getContent()));
    }

    /** @return iterable<string, array{string}> */
    public static function tamperings(): iterable
    {
        yield 'a reading made better' => ['UPDATE load_readings SET kw = 15 WHERE kw IS NOT NULL'];
        yield 'a reading that counts again' => ['UPDATE load_readings SET struck_why = NULL'];
        yield 'a reading struck out quietly' => ["UPDATE load_readings SET struck_why = 'no' ORDER BY taken_at LIMIT 1"];
        yield 'a mark moved' => ["UPDATE load_marks SET at = '2026-11-26 13:00:00'"];
        yield 'a mark taken away' => ['DELETE FROM load_marks'];
        yield 'another verdict' => ["UPDATE load_tests SET verdict = 'fail'"];
        yield 'another name' => ["UPDATE load_tests SET closed_by = 'Somebody'"];
        yield 'an entry rewritten' => ["UPDATE record_entries SET entry = REPLACE(entry, '10.9', '14.9')"];
        yield 'the last entry cut off' => ['DELETE FROM record_entries ORDER BY seq DESC LIMIT 1'];
        yield 'another head' => ["UPDATE load_tests SET head = REPEAT('a', 64)"];
    }

    #[Test]
    public function a_verdict_that_does_not_follow_from_the_readings_is_refused_even_with_whole_hashes(): void
    {
        $test = $this->signed();
        /** @var array<string, mixed> $export */
        $export = json_decode((string) $this->get("/load-tests/$test->id/report.json")->getContent(), true);
        $export['evaluation']['nameplate_kw'] = 40;
        $this->expectExceptionMessage('not what was signed');
        Verification::of(Node::fromArray($export));
    }

    #[Test]
    public function a_record_rewritten_as_a_whole_with_new_hashes_is_caught_by_the_key_outside_of_the_database(): void
    {
        $test = $this->signed();
        $key = (new CompanyKeys())->public($test->company_id);
        $json = (string) $this->get("/load-tests/$test->id/report.json")->getContent();
        self::assertTrue(Verification::of(Node::fromJson($json), $key)['seal']['trusted'] ?? null);
        LoadReading::query()->where('kw', 10.9)->update(['kw' => 14.9]);
        $this->rehash($test, '10.9', '14.9');
        $rewritten = (string) $this->get("/load-tests/$test->id/report.json")->getContent();
        $this->get("/load-tests/$test->id/report")->assertDontSee('Record whole')->assertSee('The seal does not fit the record');
        try {
            Verification::of(Node::fromJson($rewritten), $key);
            self::fail('It was not caught.');
        } catch (BadInput $fault) {
            self::assertSame('/record/seal/signature', $fault->path);
        }
        LoadTest::query()->whereKey($test->id)->update(['seal' => null]);
        $this->get("/load-tests/$test->id/report")->assertSee('The seal of the record is missing');
        $stranger = sodium_crypto_sign_keypair();
        LoadTest::query()->whereKey($test->id)->update([
            'seal' => HeadSeal::of($stranger, $test->entries()->count(), $test->refresh()->head)->kept(),
        ]);
        $this->get("/load-tests/$test->id/report")->assertSee('a key that is not of this company');
    }

    #[Test]
    public function a_key_that_was_replaced_still_reads_what_it_sealed(): void
    {
        $test = $this->signed();
        $before = (new CompanyKeys())->public($test->company_id);
        $this->artisan('company:key', ['company' => (string) $test->company_id])->expectsOutput($before)->assertSuccessful();
        $this->artisan('company:key', ['company' => (string) $test->company_id, '--replace' => true])->assertSuccessful();
        self::assertNotSame($before, (new CompanyKeys())->public($test->company_id));
        $this->get("/load-tests/$test->id/report")->assertSee('Record whole');
        $this->post("/load-tests/$test->id/notes", ['text' => 'With the new key.'])->assertSessionHasNoErrors();
        $this->get("/load-tests/$test->id/report")->assertSee('Record whole')->assertSee('With the new key.');
        $this->artisan('company:key', ['company' => '99999'])->assertFailed();
    }

    /** What somebody does who may write the whole database, and knows how hashes are made. */
    private function rehash(LoadTest $test, string $was, string $is): void
    {
        $hash = RecordChain::GENESIS;
        foreach ($test->entries()->get() as $entry) {
            /** @var array<string, mixed> $told */
            $told = json_decode(str_replace($was, $is, $entry->entry), true, 64, JSON_THROW_ON_ERROR);
            $hash = (new RecordChain())->hash($hash, $told);
            $entry->update(['entry' => str_replace($was, $is, $entry->entry), 'hash' => $hash]);
        }
        LoadTest::query()->whereKey($test->id)->update(['head' => $hash]);
    }

    #[Test]
    public function the_table_of_a_recorder_becomes_readings_and_what_was_read_by_hand_stays(): void
    {
        $test = $this->begun();
        $page = "/load-tests/$test->id";
        $this->postJson("$page/readings/batch", ['readings' => [$this->reading('14:00')]])->assertOk();
        $lines = "time,V L1,V L2,A L1,A L2,Hz,Oil,Coolant\n";
        foreach (range(0, 40) as $i) {
            $lines .= '2026-11-26 08:5' . intdiv($i, 6) . ':' . str_pad(
                (string) ($i % 6 * 10),
                2,
                '0',
                STR_PAD_LEFT,
            ) . ",120,119,40,41,60,50,185\n";
        }
        $send = ['every_s' => '60', 'zone' => 'America/New_York', 'says' => '08:50:00', 'is' => '08:58:00'];
        $look = $this->post("$page/table/look", ['table' => self::csv($lines)])->assertOk();
        $look->assertSee('as guessed from its headings')->assertSee('V L2');
        $this->post("$page/table", $send + ['table' => self::csv("$lines,,\n")])->assertSessionHasErrors('table');
        $this->post("$page/table", ['zone' => 'Moon'] + $send + ['table' => self::csv($lines)])->assertSessionHasErrors('zone');
        self::assertSame(1, LoadReading::query()->count(), 'nothing was kept');
        $this->post("$page/table", $send + ['table' => self::csv($lines)])->assertSessionHasNoErrors();
        self::assertSame(7, LoadReading::query()->count(), 'seven a minute apart, one of them read by hand');
        $first = LoadReading::query()->orderBy('taken_at')->firstOrFail();
        self::assertSame(['file', '2026-11-26 13:58', 85.0], [
            $first->source->value, $first->taken_at->format('Y-m-d H:i'), $first->coolant_c,
        ]);
        $this->post("$page/table/look", ['table' => self::csv($lines)])->assertSee('as for the last table');
        $this->get("$page/report.json")->assertOk()->assertSee('"source": "file"', false);
    }

    #[Test]
    public function a_fast_recording_is_judged_step_by_step_and_goes_into_the_verdict(): void
    {
        $test = $this->begun();
        $page = "/load-tests/$test->id";
        $lines = "t_s,V L1,V L2,Hz,kW\n";
        for ($i = 0; $i <= 900; $i++) {
            $s = $i / 25;
            $dip = $s < 10 ? 0 : 18 * exp(-($s - 10) / 0.6);
            $lines .= sprintf("%.2f,%.2f,%.2f,%.3f,%.2f\n", $s, 120 - $dip, 120 - $dip, 60 - $dip / 12, $s < 10 ? 2 : 10);
        }
        $send = ['phases' => 2, 'class' => 'G2'];
        $this->post("$page/recordings/look", $send + ['files' => [self::csv($lines)]])->assertOk()->assertSee('Power');
        $this->post("$page/recordings", $send + ['files' => [self::csv($lines)], 'given' => 'somewhere'])->assertSessionHasErrors('given');
        $this->post("$page/recordings", $send + ['files' => [self::csv($lines)], 'given' => '90: 2 > 10'])->assertSessionHasErrors('given');
        $withoutPower = (string) preg_replace('/,[^,\n]*$/m', '', $lines);
        $this->post("$page/recordings", $send + ['files' => [self::csv($withoutPower)]])->assertSessionHasErrors('given');
        self::assertSame(0, Recording::query()->count());
        $this->post("$page/recordings", $send + ['files' => [self::csv($lines)]])->assertSessionHasNoErrors();
        $this->post("$page/recordings", $send + ['files' => [self::csv($withoutPower)], 'given' => '10: 2 > 10'])
            ->assertSessionHasNoErrors();
        $found = Recording::query()->orderBy('id')->get();
        foreach ($found as $recording) {
            $seen = $recording->steps['steps_seen'] ?? [];
            self::assertCount(1, $seen);
            self::assertEqualsWithDelta(10.0, $seen[0]['t_s'], 0.05);
            self::assertEqualsWithDelta(102.0, $seen[0]['v_extreme_v'], 0.5);
        }
        $this->postJson("$page/readings/batch", ['readings' => [$this->reading('14:00'), $this->reading('14:20')]])->assertOk();
        $this->get($page)->assertOk()->assertSee('Class met')->assertSee('Volts and hertz around the step');
        $this->post("$page/close", ['name' => 'Ana Quist'])->assertSessionHasNoErrors();
        $this->get("$page/report")->assertSee('Load steps as they were recorded')->assertSee('Record whole');
        $this->delete("/library/recordings/{$found[0]->id}")->assertConflict();
        $this->post("$page/recordings", $send + ['files' => [self::csv($lines)]])->assertConflict();
    }

    #[Test]
    public function the_procedure_of_that_day_takes_over_what_the_load_test_has_read(): void
    {
        $test = $this->signed();
        $run = $this->runOf($test->switch);
        $step = "/runs/$run->id/procedure?step=on_load_checks/generator-volts-L2";
        $this->get($step)->assertOk()->assertSee('load test, 10.9 kW after 0 min')->assertSee('value="119.5"', false);
        Carbon::setTestNow('2026-11-28 15:00:00');
        $run->forceFill(['created_at' => Carbon::now()])->save();
        $this->get($step)->assertOk()->assertDontSee('load test, 10.9 kW');
    }

    #[Test]
    public function the_bank_of_the_list_brings_its_elements_and_a_cable_that_is_too_small_stops(): void
    {
        $switch = $this->ready();
        $this->post('/equipment', ['kind' => 'load_bank', 'name' => 'Little bank'])->assertSessionHasErrors('elements');
        $this->post('/equipment', ['kind' => 'load_bank', 'name' => 'Little bank', 'elements' => '5, lots'])
            ->assertSessionHasErrors('elements');
        $this->post('/equipment', [
            'kind' => 'load_bank', 'name' => 'Little bank', 'elements' => '5, 5, 10', 'rated_v' => '240', 'cable_a' => '40',
            'drops_itself' => '1',
        ])->assertSessionHasNoErrors();
        $bank = Equipment::query()->sole();
        $plan = ['profile' => 'custom', 'steps' => '75 × 20', 'equipment_id' => $bank->id, 'people' => 'Two', 'edition' => '2023'];
        $this->post("/switches/$switch->id/load-tests", ['equipment_id' => '77'] + $plan)->assertSessionHasErrors('equipment_id');
        $this->post("/switches/$switch->id/load-tests", $plan)->assertSessionHasNoErrors();
        $test = LoadTest::query()->sole();
        self::assertSame([[5, 5, 10], true, 75.0], [$test->plan['bank_elements_kw'], $test->plan['auto_drop'], $test->top_pct]);
        $this->get("/load-tests/$test->id")->assertSee('Little bank')->assertSee('finding-bank-cable-small', false)
            ->assertSee('lock and tag both sources');
        $this->get("/switches/$switch->id/load-tests")->assertSee('value="2023"', false);
        $this->put("/equipment/$bank->id", [
            'kind' => 'load_bank', 'name' => 'Little bank', 'elements' => '5, 5, 10', 'cable_a' => '100',
        ])->assertSessionHasNoErrors();
        $this->get("/load-tests/$test->id")->assertDontSee('finding-bank-cable-small', false);
        $this->delete("/equipment/$bank->id")->assertRedirect();
        $this->get('/equipment')->assertOk()->assertDontSee('LB-')->assertSee('Nothing yet');
        $this->get("/load-tests/$test->id/report")->assertSee('Little bank');
    }

    #[Test]
    public function a_house_without_a_bank_is_told_which_of_its_loads_to_switch_and_what_cannot_be_reached(): void
    {
        $switch = $this->ready();
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '10 × 20, 95 × 20'])->assertSessionHasNoErrors();
        $test = LoadTest::query()->sole();
        $this->get("/load-tests/$test->id")->assertSee('loads of the site')->assertSee('cannot be reached');
    }

    #[Test]
    public function a_light_run_does_not_hide_a_failed_full_step(): void
    {
        $switch = $this->ready();
        $closed = ['company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => auth()->id(), 'profile' => 'custom',
            'plan' => [], 'closed_by' => 'Ana', 'result' => []];
        LoadTest::query()->create($closed + ['closed_at' => '2026-10-01 12:00:00', 'verdict' => 'fail', 'top_pct' => 100]);
        LoadTest::query()->create($closed + ['closed_at' => '2026-11-01 12:00:00', 'verdict' => 'pass', 'top_pct' => 20]);
        $this->get("/sites/$switch->site_id")->assertOk()->assertSee('failed 1 Oct');
        LoadTest::query()->create($closed + ['closed_at' => '2026-11-20 12:00:00', 'verdict' => 'pass', 'top_pct' => 100]);
        $this->get("/sites/$switch->site_id")->assertSee('passed 20 Nov');
    }

    private static function csv(string $lines): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('recorder.csv', $lines);
    }
}
