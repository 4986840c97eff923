<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Photo;
use App\Models\RecordEntry;
use App\Models\Run;
use App\Models\StepAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\RecordChain;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

/** Pictures as evidence of a step: sent one by one, kept once, bound into the record. */
final class PicturesTest extends TestCase
{
    use WorksThrough;

    private const STEP = 'inspect/photo-open';

    #[Test]
    public function a_picture_sent_twice_is_kept_once_and_its_hash_is_in_the_record(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $file = self::picture();
        $sha256 = hash('sha256', $file->getContent());
        $id = (string) Str::uuid();
        $this->take($run, $id, self::STEP, $file)->assertOk()->assertJson(['kept' => $id]);
        $this->take($run, $id, self::STEP, self::picture())->assertOk()->assertJson(['kept' => $id]);
        $photo = Photo::query()->sole();
        self::assertSame([$run->id, self::STEP, 'after', $sha256], [$photo->run_id, $photo->step, $photo->moment, $photo->sha256]);
        $entries = RecordEntry::query()->where('run_id', $run->id)->get()->filter(
            static fn(RecordEntry $entry): bool => str_contains($entry->entry, '"kind":"photo"'),
        );
        self::assertCount(1, $entries);
        self::assertStringContainsString($sha256, (string) $entries->first()?->entry);
        self::assertTrue(
            (new RecordChain())->verifyExport(Node::fromJson((string) $this->get("/runs/$run->id/report.json")->getContent()))['verified'],
        );
        $this->get("/runs/$run->id/procedure")->assertSee("/photos/$id/small.jpg", false);
    }

    #[Test]
    public function the_same_view_may_be_evidence_of_two_steps(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->take($run, (string) Str::uuid(), self::STEP, self::picture())->assertOk();
        $this->take($run, (string) Str::uuid(), 'clean_up/photo-closed', self::picture())->assertOk();
        self::assertSame(2, Photo::query()->count());
    }

    /** @param array<string, mixed> $change */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_kept_is_named_by_its_field(array $change, string $path): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $answer = $this->postJson(
            "/runs/$run->id/photos",
            $change + ['id' => (string) Str::uuid(), 'step' => self::STEP, 'photo' => self::picture()],
        )->assertStatus(422);
        self::assertSame($path, $answer->json('error.path') ?? '/' . array_key_first((array) $answer->json('errors')));
        self::assertSame(0, Photo::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'no picture' => [['photo' => UploadedFile::fake()->createWithContent('panel.jpg', 'words')], '/photo'];
        yield 'nothing' => [['photo' => null], '/photo'];
        yield 'a step that is none' => [['step' => 'isolate/pray'], '/step'];
        yield 'no step' => [['step' => ''], '/step'];
        yield 'an id that is none' => [['id' => 'one'], '/id'];
    }

    #[Test]
    public function an_id_of_another_run_is_refused_and_another_company_has_no_such_run(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        [$first, $second] = [$this->runOf($switch), $this->runOf($switch)];
        $id = (string) Str::uuid();
        $this->take($first, $id, self::STEP, self::picture())->assertOk();
        $this->take($second, $id, self::STEP, self::picture())->assertStatus(422)->assertJsonPath('error.path', '/id');
        $this->signIn();
        $this->take($first, (string) Str::uuid(), self::STEP, self::picture())->assertNotFound();
    }

    #[Test]
    public function a_picture_that_comes_after_the_signature_is_an_amendment(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        Run::query()->whereKey($run->id)->update(['signed_at' => now(), 'signed_name' => 'Ana', 'verdict' => 'incomplete']);
        $this->take($run, (string) Str::uuid(), self::STEP, self::picture())->assertOk();
        self::assertStringContainsString(
            '"after_signing":true',
            RecordEntry::query()->where('run_id', $run->id)->orderByDesc('seq')->firstOrFail()->entry,
        );
        self::assertTrue(
            (new RecordChain())->verifyExport(Node::fromJson((string) $this->get("/runs/$run->id/report.json")->getContent()))['verified'],
        );
    }

    #[Test]
    public function a_step_that_asks_for_a_picture_is_closed_by_one_even_before_it_has_arrived(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->pass($run, self::STEP);
        $this->send($run, [$this->answer(self::STEP, ['so' => true])])->assertJsonPath('refused.0.path', '/answers/0/photos');
        $this->send($run, [$this->answer(self::STEP, ['so' => true, 'photos' => [(string) Str::uuid()]])])->assertJsonCount(1, 'kept');
        self::assertSame(Verdict::AsExpected, StepAnswer::query()->where('step', self::STEP)->sole()->verdict);
        $this->get("/runs/$run->id/report")->assertSee('1 of 1 pictures has not arrived');
    }

    #[Test]
    public function without_script_pictures_come_with_the_form_of_the_step(): void
    {
        $run = $this->runOf($this->switchOf($this->signIn()));
        $this->pass($run, self::STEP);
        $this->post(
            "/runs/$run->id/procedure",
            ['step' => self::STEP, 'so' => '1', 'photos' => [self::picture(), self::picture()]],
        )->assertSessionMissing('fault');
        self::assertSame(2, Photo::query()->where('step', self::STEP)->count());
        $this->post(
            "/runs/$run->id/procedure",
            [
                'step' => self::STEP,
                'so' => '1',
                'note' => 'see it',
                'photos' => [UploadedFile::fake()->createWithContent('a.jpg', 'words')],
            ],
        )->assertSessionHas('fault', static fn(array $fault): bool => $fault['field'] === 'photos' && $fault['typed']['note'] === 'see it');
    }

    #[Test]
    public function evidence_is_neither_changed_nor_removed(): void
    {
        $switch = $this->switchOf($this->signIn());
        $run = $this->runOf($switch);
        $this->take($run, $id = (string) Str::uuid(), self::STEP, self::picture())->assertOk();
        $this->delete("/photos/$id")->assertStatus(409);
        $this->put("/photos/$id", ['subject' => 'place', 'moment' => 'after', 'caption' => 'Something else'])->assertStatus(409);
        $this->get("/sites/$switch->site_id?on=photos")->assertSee('it stays as it is')->assertDontSee('Remove the picture');
        self::assertSame(1, Photo::query()->count());
    }

    /** @return TestResponse<JsonResponse> */
    private function take(Run $run, string $id, string $step, UploadedFile $file): TestResponse
    {
        return $this->postJson(
            "/runs/$run->id/photos",
            ['id' => $id, 'step' => $step, 'client_wall' => '2026-11-23T09:00:00.000Z', 'photo' => $file],
        );
    }

    private static function picture(): UploadedFile
    {
        ob_start();
        imagejpeg(imagecreatetruecolor(64, 48));

        return UploadedFile::fake()->createWithContent('picture.jpg', (string) ob_get_clean());
    }
}
