<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ImportedRun;
use App\Models\LoadItem;
use App\Models\Role;
use App\Models\Run;
use Database\Factories\UserFactory;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Record\RunRecord;
use Escapement\Core\Tests\Leaves;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

/** A run that leaves as a file and is read elsewhere: the same report, the same verdicts, or a clear no. */
final class ImportRunTest extends TestCase
{
    use WorksThrough;

    #[Test]
    public function elsewhere_the_same_file_gives_the_same_report_and_verdicts(): void
    {
        $run = $this->worked(true);
        $file = (string) $this->get("/runs/$run->id/report.json")->getContent();
        $body = self::body((string) $this->get("/runs/$run->id/report")->getContent());

        $this->signIn();
        $this->bring($file)->assertRedirect()->assertSessionHas('said', 'The run is imported. Its record verifies.');
        $imported = ImportedRun::query()->sole();
        self::assertSame('pass', json_decode($file)->timing->verdict);
        self::assertSame('pass', $imported->verdict, 'the parts it touched are proved');
        $page = $this->get("/library/runs/$imported->id")->assertOk();
        self::assertSame($body, self::body((string) $page->getContent()));
        $this->get("/library/runs/$imported->id.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->get('/library')->assertSee('Fern Hill 3')->assertSee('passed');
        $this->bring($file)->assertSessionHas('said', 'This run was here already.');
        self::assertSame(1, ImportedRun::query()->count());
    }

    #[Test]
    public function one_that_is_not_signed_is_a_draft_elsewhere_too(): void
    {
        $file = (string) $this->get('/runs/' . $this->worked(false)->id . '/report.json')->getContent();
        $this->bring($file)->assertSessionHasNoErrors();
        $this->get('/library/runs/' . ImportedRun::query()->sole()->id)->assertSee('Not signed yet: this is a draft.');
    }

    #[Test]
    public function a_record_tells_all_that_was_done(): void
    {
        $run = $this->worked(true);
        $this->post("/runs/$run->id/notes", ['text' => 'Found later.']);
        $record = RunRecord::ofExport(Node::fromJson((string) $this->get("/runs/$run->id/report.json")->getContent()));
        self::assertCount(7, $record->marks);
        self::assertSame('It hummed.', array_values($record->marks)[0]->note, 'edits are done');
        self::assertSame(
            ['isolate/briefing', 'isolate/block-engine'],
            array_map(static fn($answer): string => $answer->step, $record->answers),
        );
        self::assertSame(['Ana Quist', 'pass'], [$record->signature['name'] ?? null, $record->signature['verdict'] ?? null]);
        self::assertSame('pass', $record->timing()->verdict);
        self::assertNotNull($record->work);
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $tamper */
    #[Test, DataProvider('tamperings')]
    public function what_is_not_what_the_record_says_is_named_and_nothing_is_kept(
        \Closure $tamper,
        string $path,
        bool $isSigned = true,
    ): void {
        $export = json_decode((string) $this->get('/runs/' . $this->worked($isSigned)->id . '/report.json')->getContent(), true);
        $file = (string) json_encode(self::objects($tamper($export)), JSON_PRESERVE_ZERO_FRACTION);
        try {
            RunRecord::verification(Node::fromJson($file));
            $atCommandLine = '';
        } catch (BadInput $e) {
            $atCommandLine = $e->path;
        }
        $this->bring($file)->assertSessionHasErrors('run');
        $said = session('errors')->first('run');
        self::assertStringContainsString("At $path", $said);
        self::assertStringContainsString('Nothing was kept.', $said);
        self::assertSame(0, ImportedRun::query()->count());
        self::assertTrue($atCommandLine === '' || str_starts_with($atCommandLine, $path), $atCommandLine);
    }

    /** @return iterable<string, array{0: \Closure(array<string, mixed>): array<string, mixed>, 1: string, 2?: bool}> */
    public static function tamperings(): iterable
    {
        yield 'an entry' => [
            static fn(array $x): array => array_replace_recursive($x, ['record' => ['entries' => [1 => ['what' => ['at_ms' => 1]]]]]),
            '/record/entries/1',
        ];
        yield 'a mark beside the record' => [
            static fn(array $x): array => array_replace_recursive($x, ['marks' => [3 => ['at_ms' => 19_900]]]),
            '/marks/3',
        ];
        yield 'a mark less' => [static fn(array $x): array => ['marks' => array_slice($x['marks'], 1)] + $x, '/marks'];
        yield 'a verdict' => [
            static fn(array $x): array => array_replace_recursive($x, ['signature' => ['verdict' => 'fail']]), '/signature',
        ];
        yield 'a part that was not proved' => [
            static fn(array $x): array => array_replace_recursive($x, ['signature' => ['parts' => [['outcome' => 'failed']]]]),
            '/signature',
        ];
        yield 'a signature taken away' => [static fn(array $x): array => ['signature' => null] + $x, '/signature'];
        yield 'the verdict of the times' => [
            static fn(array $x): array => array_replace_recursive($x, ['timing' => ['verdict' => 'fail']]),
            '/timing/verdict',
        ];
        yield 'a setting' => [
            static fn(array $x): array => array_replace_recursive($x, ['settings' => ['return_delay_ms' => 60_000]]),
            '/settings',
        ];
        yield 'the reaction time' => [static fn(array $x): array => ['reaction_ms' => 60_000] + $x, '/reaction_ms'];
        yield 'the version of the sheet' => [static fn(array $x): array => ['settings_version' => 9] + $x, '/settings_version'];
        yield 'another format' => [static fn(array $x): array => ['format' => 'escapement/run/9'] + $x, '/format'];
        yield 'a site without a name' => [static fn(array $x): array => ['site' => array_diff_key($x['site'], ['name' => 1])] + $x, '/'];
        yield 'a time zone that is none' => [
            static fn(array $x): array => array_replace_recursive($x, ['site' => ['timezone' => 'Mars/North']]),
            '/site/timezone',
            false,
        ];
        yield 'another owner than the one it was signed with' => [
            static fn(array $x): array => array_replace_recursive($x, ['site' => ['owner' => 'Somebody Else']]),
            '/site',
        ];
        yield 'a load less than it was signed with' => [
            static fn(array $x): array => [
                'loads' => [['name' => 'Kiln', 'kw' => 9.5, 'priority' => 1, 'shed' => false, 'must_run' => false]],
            ] + $x,
            '/loads',
        ];
        yield 'a day that is none' => [
            static fn(array $x): array => array_replace_recursive($x, ['sheet' => ['written_at' => 'once upon a time']]),
            '/sheet/written_at',
            false,
        ];
    }

    /**
     * What is measured, answered, pictured, set and signed is in the chain, and so is the header of a signed run; words about
     * it are not, and are named here.
     */
    #[Test]
    public function not_one_figure_of_an_export_can_be_changed_unseen(): void
    {
        $run = $this->worked(true);
        $export = json_decode((string) $this->get("/runs/$run->id/report.json")->getContent(), true);
        $whole = RunRecord::verification(Node::fromArray(self::objects($export)));
        self::assertSame('states', $whole['procedure'], 'the states of all steps are compared');
        $unseen = [];
        $leaves = Leaves::of($export);
        foreach ($leaves as $path) {
            try {
                if (RunRecord::verification(Node::fromArray(self::objects(Leaves::changed($export, $path)))) === $whole) {
                    $unseen[] = preg_replace('/\b\d+\b/', '*', implode('/', $path));
                }
            } catch (BadInput $e) {
                self::assertStringStartsWith('/', $e->path);
            }
        }
        self::assertGreaterThan(300, count($leaves) - count($unseen));
        self::assertSame(
            [
                'procedure/*/title',
                'timing/working/*/label',
                'timing/working/*/expression',
                'timing/working/*/value',
                'timing/working/*/unit',
            ],
            array_values(array_unique($unseen)),
        );
    }

    #[Test]
    public function a_signed_run_leaves_as_it_was_signed_whatever_is_renamed_or_removed_later(): void
    {
        $run = $this->worked(true);
        $before = (string) $this->get("/runs/$run->id/report.json")->getContent();
        $run->switch->site->update(['name' => 'Fern Hill 5', 'owner' => 'New Owner']);
        $run->switch->update(['name' => 'Q9', 'rating_a' => 400]);
        LoadItem::query()->create([
            'company_id' => $run->company_id,
            'switch_id' => $run->switch_id,
            'name' => 'Kiln',
            'kw' => 9.5,
            'priority' => 1,
            'place' => 1,
        ]);
        $after = (string) $this->get("/runs/$run->id/report.json")->getContent();
        self::assertSame($before, $after);
        self::assertSame('pass', RunRecord::verification(Node::fromJson($after))['signed']);
    }

    #[Test]
    public function a_forged_beginning_whose_chain_was_made_again_is_still_read_with_care(): void
    {
        $export = json_decode((string) $this->get('/runs/' . $this->worked(false)->id . '/report.json')->getContent(), true);
        $export['record']['entries'][0]['what']['system'] = ['kind' => 'standby'];
        $hash = RecordChain::GENESIS;
        foreach ($export['record']['entries'] as $i => $entry) {
            unset($entry['hash']);
            $hash = (new RecordChain())->hash($hash, $entry);
            $export['record']['entries'][$i]['hash'] = $hash;
        }
        $export['record']['head'] = $hash;
        $this->bring((string) json_encode(self::objects($export), JSON_PRESERVE_ZERO_FRACTION))->assertSessionHasErrors('run');
        self::assertSame(0, ImportedRun::query()->count());
    }

    #[Test, DataProvider('files')]
    public function what_is_no_run_is_refused(string $content): void
    {
        $this->signIn();
        $this->bring($content)->assertSessionHasErrors('run');
        $this->get('/library')->assertOk();
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        yield 'nothing' => [''];
        yield 'no JSON' => ['run'];
        yield 'a list' => ['[]'];
        yield 'an empty object' => ['{}'];
        yield 'a scenario' => ['{"format":"escapement/scenario/1"}'];
    }

    #[Test]
    public function another_company_sees_none_and_a_viewer_brings_none_in(): void
    {
        $file = (string) $this->get('/runs/' . $this->worked(false)->id . '/report.json')->getContent();
        $owner = $this->signIn();
        $this->bring($file);
        $imported = ImportedRun::query()->sole();
        $this->actingAs(UserFactory::make(Role::Viewer, $owner->company_id));
        $this->get("/library/runs/$imported->id")->assertOk();
        $this->get('/library')->assertDontSee('Remove the run of');
        $this->bring($file)->assertForbidden();
        $this->signIn();
        $this->get("/library/runs/$imported->id")->assertNotFound();
        $this->delete("/library/runs/$imported->id")->assertNotFound();
        $this->actingAs($owner);
        $this->delete("/library/runs/$imported->id")->assertRedirect('/library');
        self::assertSame(0, ImportedRun::query()->count());
    }

    private function worked(bool $isSigned): Run
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $marks = self::timed();
        $this->sendMarks($run, $marks)->assertOk();
        $this->sendMarks($run, [['note' => 'It hummed.'] + $marks[0]])->assertOk();
        $this->send(
            $run,
            array_map(fn(string $step): array => $this->answer("isolate/$step", ['so' => true]), ['briefing', 'block-engine']),
        )->assertJsonCount(2, 'kept');
        $this->post("/runs/$run->id/notes", ['text' => 'Windy.']);
        if ($isSigned) {
            $this->post(
                "/runs/$run->id/sign",
                ['signed_name' => 'Ana Quist', 'signed_drawing' => 'M10 10L20 20'],
            )->assertSessionHasNoErrors();
        }

        return $run->refresh();
    }

    /** @return TestResponse<RedirectResponse> */
    private function bring(string $file): TestResponse
    {
        return $this->post('/library/runs', ['run' => UploadedFile::fake()->createWithContent('run.json', $file)]);
    }

    /** What the report says, from its first heading to the end of the last part. */
    private static function body(string $page): string
    {
        preg_match('#<section class="report-part">.*?Nothing here permits work on live parts\.#s', $page, $part);

        return $part[0] ?? throw new \LogicException('no report');
    }

    /**
     * Empty maps that PHP's arrays cannot tell from lists.
     *
     * @param array<string, mixed> $export
     *
     * @return array<string, mixed>
     */
    private static function objects(array $export): array
    {
        $export['switch']['rated_kw'] = (object) $export['switch']['rated_kw'];
        $export['sheet']['habits'] = (object) $export['sheet']['habits'];
        foreach ($export['procedure'] as $i => $line) {
            $export['procedure'][$i]['given'] = $line['given'] === null ? null : (object) $line['given'];
        }

        return $export;
    }
}
