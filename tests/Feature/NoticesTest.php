<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Equipment;
use App\Models\LogEntry;
use App\Models\Notice;
use App\Models\Role;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use App\Stage\Notices\NoticeMail;
use Database\Factories\UserFactory;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Who gets which notice, and that nobody gets one twice. */
final class NoticesTest extends TestCase
{
    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test]
    public function each_thing_is_told_once_to_those_who_asked(): void
    {
        Carbon::setTestNow('2026-11-27 10:00:00');
        Mail::fake();
        $user = $this->notified('at_once');
        $colleague = UserFactory::make(Role::Technician, $user->company_id);
        $stranger = UserFactory::make(Role::Technician);
        $stranger->update(['notify' => 'at_once']);
        $switch = $this->troubled($user);
        $this->artisan('notices:send')->assertSuccessful();
        $kinds = Notice::query()->withoutGlobalScope('company')->where('user_id', $user->id)->orderBy('kind')->pluck('kind')->all();
        self::assertSame(['calibration', 'exercise', 'owner', 'selector', 'service'], $kinds);
        Mail::assertSent(NoticeMail::class, 5);
        Mail::assertNotSent(NoticeMail::class, static fn(NoticeMail $mail): bool => $mail->hasTo($colleague->email));
        Mail::assertNotSent(NoticeMail::class, static fn(NoticeMail $mail): bool => $mail->hasTo($stranger->email));
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertSent(NoticeMail::class, 5);
        $this->actingAs($user)->get('/notices')->assertOk()->assertSee('the selector is not at automatic')
            ->assertSee('No mail server is set up');
        Upkeep::query()->where('switch_id', $switch->id)->firstOrFail()->touch(); // seen off once more
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertSent(NoticeMail::class, 5); // within the same second it is the same
        Carbon::setTestNow('2026-11-28 10:00:00');
        Upkeep::query()->withoutGlobalScope('company')->where('switch_id', $switch->id)->firstOrFail()->touch();
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertSent(NoticeMail::class, 6);
    }

    #[Test]
    public function the_mail_of_a_day_goes_out_once_and_has_everything(): void
    {
        Carbon::setTestNow('2026-11-27 04:00:00');
        Mail::fake();
        $user = $this->notified('daily');
        $this->troubled($user);
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertNothingSent();
        Carbon::setTestNow('2026-11-27 06:30:00');
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertSent(NoticeMail::class, static function (NoticeMail $mail): bool {
            $text = $mail->render();

            return $mail->envelope()->subject === '5 things of your sites' && str_contains($text, 'Clamp meter')
                && str_contains($text, 'the owner says something') && ! str_contains($text, '&#039;');
        });
        Equipment::query()->withoutGlobalScope('company')->update(['calibrated_until' => '2026-12-05']);
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertSent(NoticeMail::class, 1);
        Carbon::setTestNow('2026-11-28 06:30:00');
        $this->artisan('notices:send')->assertSuccessful();
        Mail::assertSent(NoticeMail::class, 2);
    }

    #[Test]
    public function a_mail_server_that_refuses_is_tried_again_and_what_it_said_is_shown(): void
    {
        Carbon::setTestNow('2026-11-27 10:00:00');
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => 1,
            'mail.mailers.smtp.timeout' => 2]);
        $user = $this->notified('at_once');
        $this->troubled($user);
        foreach (range(1, 6) as $ignored) {
            $this->artisan('notices:send')->assertSuccessful();
        }
        $notice = Notice::query()->withoutGlobalScope('company')->where('user_id', $user->id)->firstOrFail();
        self::assertSame([5, null], [$notice->tries, $notice->sent_at]);
        $this->actingAs($user)->get('/notices')->assertSee('tried 5 times');
    }

    #[Test]
    public function a_real_mail_server_gets_each_notice_once_and_a_bounce_is_shown(): void
    {
        Carbon::setTestNow('2026-11-27 10:00:00');
        $file = (string) tempnam(sys_get_temp_dir(), 'mail');
        $server = new Process(['node', base_path('tests/smtp-server.mjs'), $file]);
        $server->start();
        $server->waitUntil(static fn(string $type, string $output): bool => preg_match('/^\d+\n/', $output) === 1);
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.timeout' => 5,
            'mail.mailers.smtp.port' => (int) $server->getOutput()]);
        try {
            $user = $this->notified('daily');
            $user->update(['email' => 'nobody@lantern.example']);
            $this->troubled($user);
            $this->artisan('notices:send')->assertSuccessful();
            $this->actingAs($user)->get('/notices')->assertSee('tried 1 times')->assertSee('No such person here');
            $user->update(['email' => 'rosa@lantern.example']);
            $this->artisan('notices:send')->assertSuccessful();
            $this->artisan('notices:send')->assertSuccessful();
            $mails = array_map(
                static fn(string $line): array => (array) json_decode($line, true, 8, JSON_THROW_ON_ERROR),
                file($file, FILE_IGNORE_NEW_LINES) ?: [],
            );
            self::assertCount(1, $mails);
            self::assertSame([['rosa@lantern.example'], 'escapement@localhost.localdomain'], [$mails[0]['to'], $mails[0]['from']]);
            $text = quoted_printable_decode((string) $mails[0]['data']);
            self::assertStringContainsString('Subject: 5 things of your sites', $text);
            self::assertStringContainsString('Clamp meter: its calibration ends', $text);
            self::assertStringContainsString('text/plain', $text);
            self::assertSame(0, Notice::query()->whereNull('sent_at')->count());
        } finally {
            $server->stop();
            unlink($file);
        }
    }

    #[Test]
    public function one_chooses_for_oneself(): void
    {
        $user = $this->signIn(Role::Viewer);
        $this->put('/notices', ['notify' => 'hourly'])->assertSessionHasErrors('notify');
        $this->put('/notices', ['notify' => 'daily'])->assertSessionHasNoErrors();
        self::assertSame('daily', $user->refresh()->notify);
    }

    private function notified(string $how): User
    {
        $user = $this->signIn();
        $user->update(['notify' => $how]);

        return $user;
    }

    /** A site with a reason for every kind of notice. */
    private function troubled(User $user): TransferSwitch
    {
        $switch = $this->switchOf($user);
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $of = ['company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id];
        Upkeep::query()->create($of + ['installed_on' => '2023-01-01', 'cooling' => 'air', 'selector' => 'off']);
        $entry = static fn(array $more): LogEntry => LogEntry::query()
            ->create($more + $of + ['id' => (string) Str::uuid(), 'at' => Carbon::now()->subDay()]);
        $entry(['kind' => 'exercise', 'fields' => ['done' => false]]);
        $entry(['kind' => 'exercise', 'fields' => ['done' => false], 'at' => Carbon::now()->subDays(30)]);
        $entry(['kind' => 'alarm', 'fields' => ['code' => 'owner: it did not start'], 'source' => 'owner']);
        $entry(['kind' => 'service', 'fields' => ['items' => ['battery_test']], 'at' => Carbon::now()->subYears(2)]);
        Equipment::query()->create([
            'company_id' => $user->company_id, 'kind' => 'meter', 'name' => 'Clamp meter', 'calibrated_until' => '2026-12-01',
        ]);
        Equipment::query()->create([
            'company_id' => $user->company_id, 'kind' => 'meter', 'name' => 'Good meter', 'calibrated_until' => '2027-12-01',
        ]);

        return $switch;
    }
}
