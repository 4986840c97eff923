<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\HandoverLink;
use App\Models\LoadItem;
use App\Models\LoadTest;
use App\Models\Run;
use App\Stage\QrPicture;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class HandoverTest extends TestCase
{
    #[Test]
    public function an_owner_reads_without_an_account_how_it_behaves_by_its_own_settings(): void
    {
        $address = $this->linkTo($this->signed());
        $this->app['auth']->forgetGuards();
        $page = $this->get($address)
            ->assertOk()
            ->assertSee('For 6 seconds nothing happens')
            ->assertSee('goes on for another 5 minutes')
            ->assertSee('What was not proved');
        self::assertDoesNotMatchRegularExpression(
            '/href="[^"]*\/(runs|sites|switches)/',
            (string) $page->getContent(),
            'nowhere to go',
        );
        preg_match_all('/<form[^>]*action="([^"]*)"/', (string) $page->getContent(), $forms);
        self::assertSame([parse_url($address, PHP_URL_PATH) . '/report'], array_map(
            static fn(string $url): string => (string) parse_url($url, PHP_URL_PATH),
            $forms[1],
        ), 'nothing to press but to tell what happened');
        self::assertStringStartsWith('%PDF', (string) $this->get("$address/handover.pdf")->assertOk()->getContent());
        $this->assertGuest();
        $this->get('/')->assertRedirect('/login');
    }

    #[Test]
    public function the_owner_sees_the_last_load_test_and_when_it_runs_next(): void
    {
        $run = $this->signed();
        $switch = $run->switch;
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 100]);
        $this->get($this->linkTo($run))->assertSee('None is signed yet')->assertDontSee('Report of the load test');
        $this->post("/switches/$switch->id/load-tests", ['profile' => 'custom', 'steps' => '50 × 20'])->assertSessionHasNoErrors();
        $test = LoadTest::query()->sole();
        $readings = array_map(static fn(int $minute): array => [
            'id' => (string) Str::uuid(), 'taken_at' => now()->subMinutes($minute)->toIso8601ZuluString('millisecond'),
            'v' => [120, 120], 'a' => [45, 45], 'hz' => 60, 'kw' => 10.8,
        ], [30, 20, 10]);
        $this->postJson("/load-tests/$test->id/readings/batch", ['readings' => $readings])->assertOk();
        $this->post("/load-tests/$test->id/close", ['name' => 'Ana Reed'])->assertSessionHasNoErrors();
        $exercise = ['day' => 'tue', 'time' => '10:00', 'for_min' => 12, 'every' => 'weekly', 'with_load' => false];
        $run->sheet->replicate()->fill(['version' => 2, 'habits' => ['exercise' => $exercise], 'created_at' => now()])->save();
        $link = $this->linkTo($run);
        $this->app['auth']->forgetGuards();
        $page = $this->get($link)->assertOk()->assertSee('Steps of your own: passed.')->assertSee('Report of the load test')
            ->assertSee('Record whole');
        self::assertMatchesRegularExpression('#Next: <b>\w{3} \d+ \w{3} \d{4}, \d\d:\d\d</b>#', (string) $page->getContent());
        self::assertStringStartsWith('%PDF', (string) $this->get("$link/handover.pdf")->assertOk()->getContent());
    }

    #[Test, DataProvider('kinds')]
    public function every_kind_has_labels_with_the_code_of_its_site(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $pdf = $this->get("/switches/$switch->id/labels.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        self::assertStringStartsWith('%PDF', (string) $pdf->getContent());
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function a_code_is_square_holds_its_quiet_zone_and_grows_with_its_address(): void
    {
        $sides = [];
        foreach (['http://127.0.0.1/s', 'http://127.0.0.1/sites/1234?switch=' . str_repeat('9', 200)] as $address) {
            $image = imagecreatefromstring(QrPicture::of($address));
            self::assertNotFalse($image);
            [$width, $height] = [imagesx($image), imagesy($image)];
            self::assertSame($width, $height);
            $dark = static fn(int $x, int $y): bool => imagecolorsforindex($image, (int) imagecolorat($image, $x, $y))['red'] < 128;
            self::assertFalse($dark(35, 35), 'four modules of quiet');
            foreach ([[45, 45], [$width - 46, 45], [45, $height - 46]] as [$x, $y]) {
                self::assertTrue($dark($x, $y), 'a finder in three corners');
            }
            self::assertFalse($dark($width - 36, $height - 36));
            $sides[] = $width;
        }
        self::assertGreaterThan($sides[0], $sides[1]);
    }

    #[Test]
    public function a_link_ends_by_itself_and_by_hand_and_is_kept_by_its_hash_alone(): void
    {
        $run = $this->signed();
        $address = $this->linkTo($run, 3);
        $link = HandoverLink::query()->firstOrFail();
        self::assertStringNotContainsString($link->token_hash, $address);
        self::assertSame($link->token_hash, HandoverLink::hash(basename($address)));
        Carbon::setTestNow(Carbon::now()->addDays(3)->addMinute());
        $this->get($address)->assertNotFound();
        Carbon::setTestNow();
        $this->get($address)->assertOk();
        $this->delete("/links/$link->id")->assertRedirect();
        $this->get($address)->assertNotFound();
        $this->get('/owner/' . str_repeat('x', 40))->assertNotFound();
    }

    #[Test]
    public function only_a_signed_run_is_handed_over_and_only_by_its_company(): void
    {
        $open = $this->runOf($this->switchOf($this->signIn()));
        $this->post("/runs/$open->id/link", ['days' => '30'])->assertStatus(409);
        $run = $this->signed();
        $this->post("/runs/$run->id/link", ['days' => '0'])->assertSessionHasErrors('days');
        $link = $this->linkTo($run);
        $this->signIn();
        $this->post("/runs/$run->id/link", ['days' => '30'])->assertNotFound();
        $this->delete('/links/' . HandoverLink::query()->withoutGlobalScope('company')->firstOrFail()->id)->assertNotFound();
        $this->get($link)->assertOk();
        $this->get("/runs/$run->id/report")->assertNotFound();
    }

    #[Test]
    public function the_dates_go_into_a_calendar(): void
    {
        $run = $this->signed();
        DB::table('sheets')->where('id', $run->sheet_id)->update([
            'habits' => json_encode([
                'exercise' => ['day' => 'tue', 'time' => '12:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false],
                'load_tests_per_year' => 4,
            ]),
        ]);
        $calendar = (string) $this->get($this->linkTo($run) . '/dates.ics')->assertOk()->assertHeader(
            'Content-Type',
            'text/calendar; charset=utf-8',
        )->getContent();
        self::assertSame(5, substr_count($calendar, 'BEGIN:VEVENT'));
        self::assertSame(1, preg_match('/DTSTART:(\d{8})T120000\r?\n/', $calendar, $first), 'by the clock on the wall');
        self::assertSame('Tue', (new \DateTimeImmutable($first[1]))->format('D'));
        self::assertStringContainsString('RRULE:FREQ=WEEKLY', $calendar);
        self::assertStringContainsString('DTSTART;VALUE=DATE:', $calendar);
    }

    private function signed(): Run
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user, InstallationKind::WholeHouse);
        LoadItem::query()->create([
            'company_id' => $user->company_id,
            'switch_id' => $switch->id,
            'place' => 0,
            'name' => 'Heater',
            'kw' => 5,
            'priority' => 2,
            'shed' => true,
        ]);
        $run = $this->runOf($switch);
        $run->update(['signed_at' => now(), 'signed_name' => 'Ana Reed', 'verdict' => 'pass', 'signed_by' => $user->id]);

        return $run->refresh();
    }

    private function linkTo(Run $run, int $days = 90): string
    {
        $this->post("/runs/$run->id/link", ['days' => (string) $days])->assertRedirect();

        return (string) session('link');
    }
}
