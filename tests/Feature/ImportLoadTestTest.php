<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ImportedRun;
use App\Models\LoadReading;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\LoadTestRecord;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\MakesLoadTests;
use Tests\TestCase;

/** A load test that leaves as a file and is read elsewhere: the same report, the same verdict, or a clear no. */
final class ImportLoadTestTest extends TestCase
{
    use MakesLoadTests;

    #[Test]
    public function elsewhere_the_same_file_gives_the_same_report(): void
    {
        $test = $this->signed();
        $file = (string) $this->get("/load-tests/$test->id/report.json")->getContent();
        $body = self::body((string) $this->get("/load-tests/$test->id/report")->getContent());
        self::assertStringContainsString('Passed, as signed', $body);

        $this->signIn();
        $this->import($file)->assertSessionHasNoErrors()->assertSessionHas('said', 'The load test is imported. Its record verifies.');
        $imported = ImportedRun::query()->sole();
        self::assertSame(['load_test', 'pass'], [$imported->kind, $imported->verdict]);
        $page = (string) $this->get("/library/runs/$imported->id")->assertOk()->assertSee('Load test from elsewhere')->getContent();
        self::assertSame($body, self::body($page));
        $this->get("/library/runs/$imported->id.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->get('/library')->assertSee('load test')->assertSee('passed');
        $this->import($file)->assertSessionHas('said', 'This load test was here already.');
        self::assertSame([1, 0], [ImportedRun::query()->count(), LoadReading::query()->count()], 'nothing of it becomes our own');
        $this->signIn();
        $this->get("/library/runs/$imported->id")->assertNotFound();
    }

    #[Test]
    public function one_that_is_not_signed_is_a_draft_elsewhere_too_and_one_without_readings_proves_nothing(): void
    {
        $test = $this->begun();
        $none = (string) $this->get("/load-tests/$test->id/report.json")->getContent();
        $this->import($none)->assertSessionHasNoErrors();
        $this->get('/library/runs/' . ImportedRun::query()->sole()->id)->assertOk()->assertSee('Nothing yet.');
        $readings = array_map($this->reading(...), ['14:00', '14:10']);
        $this->postJson("/load-tests/$test->id/readings/batch", ['readings' => $readings])->assertOk();
        $this->import((string) $this->get("/load-tests/$test->id/report.json")->getContent())->assertSessionHasNoErrors();
        $this->get('/library/runs/' . ImportedRun::query()->orderByDesc('id')->firstOrFail()->id)
            ->assertSee('Draft: not signed yet')->assertSee('10.9');
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $tamper */
    #[Test, DataProvider('tamperings')]
    public function what_is_not_what_the_record_says_is_named_and_nothing_is_kept(
        \Closure $tamper,
        string $path,
        bool $isSigned = true,
    ): void {
        $test = $isSigned ? $this->signed() : $this->begun();
        if (! $isSigned) {
            $readings = array_map($this->reading(...), ['14:00', '14:10']);
            $this->postJson("/load-tests/$test->id/readings/batch", ['readings' => $readings])->assertOk();
        }
        $export = json_decode((string) $this->get("/load-tests/$test->id/report.json")->getContent(), true);
        $file = (string) json_encode($tamper($export), JSON_PRESERVE_ZERO_FRACTION);
        $this->import($file)->assertSessionHasErrors('run');
        $said = session('errors')->first('run');
        self::assertStringContainsString($path, $said);
        self::assertStringContainsString('Nothing was kept.', $said);
        self::assertSame(0, ImportedRun::query()->count());
    }

    /** @return iterable<string, array{0: \Closure(array<string, mixed>): array<string, mixed>, 1: string, 2?: bool}> */
    public static function tamperings(): iterable
    {
        $with = static fn(array $change): \Closure => static fn(array $x): array => array_replace_recursive($x, $change);
        yield 'a reading' => [$with(['readings' => [1 => ['kw' => 19.0]]]), '/readings/1'];
        yield 'a reading less' => [static fn(array $x): array => ['readings' => array_slice($x['readings'], 1)] + $x, '/readings'];
        yield 'a mark' => [$with(['marks' => [0 => ['level_pct' => 100]]]), '/marks/0'];
        yield 'a verdict' => [$with(['signature' => ['verdict' => 'fail']]), '/signature'];
        yield 'a signature taken away' => [static fn(array $x): array => ['signature' => null] + $x, '/signature'];
        yield 'a smaller set' => [$with(['evaluation' => ['nameplate_kw' => 10]]), '/evaluation'];
        yield 'an entry' => [$with(['record' => ['entries' => [2 => ['what' => ['kw' => 19.0]]]]]), '/record/entries/2'];
        yield 'a time zone' => [$with(['site' => ['timezone' => 'Mars/Olympus']]), '/site/timezone'];
        yield 'a key too many' => [$with(['surplus' => 1]), 'surplus'];
        yield 'judged by other readings' => [$with(['evaluation' => ['readings' => [0 => ['kw' => 19.0]]]]), '/evaluation/readings', false];
        yield 'no format' => [static fn(array $x): array => array_diff_key($x, ['format' => 1]), '/format'];
    }

    #[Test]
    public function a_chain_that_was_made_anew_with_a_plan_that_is_none_is_refused(): void
    {
        $test = $this->begun();
        $export = json_decode((string) $this->get("/load-tests/$test->id/report.json")->getContent(), true);
        self::assertSame('20', (string) $export['plan']['nameplate_kw']);
        $entries = $export['record']['entries'];
        self::assertCount(1, $entries);
        $this->expectException(BadInput::class);
        new LoadTestRecord(Node::fromArray(['entries' => [['what' => []] + $entries[0]]]));
    }

    #[Test]
    public function the_page_shows_each_reading_at_once_although_it_keeps_what_they_came_to(): void
    {
        $test = $this->begun();
        $page = "/load-tests/$test->id";
        $this->get($page)->assertOk()->assertSee('Judged from the first reading on.');
        $this->postJson("$page/readings/batch", ['readings' => array_map($this->reading(...), ['14:00', '14:10'])])->assertOk();
        $this->get($page)->assertSee('Held for 10 min')->assertSee('09:10:00'); // kept now
        $this->postJson("$page/readings/batch", ['readings' => [$this->reading('14:20')]])->assertOk();
        $this->get($page)->assertSee('Held for 20 min');
        $first = LoadReading::query()->orderBy('taken_at')->firstOrFail();
        $this->delete("$page/readings/$first->id", ['why' => 'the wrong set'])->assertSessionHasNoErrors();
        $this->get($page)->assertSee('Held for 10 min')->assertSee('struck out: the wrong set');
        $test->switch->site->update(['units' => 'metric']);
        $this->get($page)->assertSee('°C');
    }

    /** @return TestResponse<RedirectResponse> */
    private function import(string $file): TestResponse
    {
        return $this->post('/library/runs', ['run' => UploadedFile::fake()->createWithContent('test.json', $file)]);
    }

    /** What the report says, from its first heading to the end of its record. */
    private static function body(string $page): string
    {
        preg_match('#<section class="report-part">.*Record whole.*?</section>#s', $page, $part);

        return $part[0] ?? throw new \LogicException('no report');
    }
}
