<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use App\Stage\Account\SecondFactor\RecoveryCodes;
use App\Stage\Account\SecondFactor\Totp;
use Database\Factories\UserFactory;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The second factor: set up, asked for, recovered from, taken off. */
final class SecondFactorTest extends TestCase
{
    private const PASSWORD = 'a long enough secret';

    #[Test]
    public function it_is_on_only_after_a_code_of_it_was_typed_and_ends_other_sessions(): void
    {
        $user = $this->signIn();
        $page = $this->get('/account/second-factor')->assertOk();
        preg_match('/<code class="one-time">([A-Z2-7 ]+)<\/code>/', (string) $page->getContent(), $found);
        $totp = new Totp((string) base64_decode((string) session('new_second_factor'), true));
        self::assertSame(str_replace(' ', '', $found[1] ?? ''), $totp->base32());
        $this->put('/account/second-factor', ['code' => '000000', 'current_password' => self::PASSWORD])->assertSessionHasErrors('code');
        $this->put('/account/second-factor', ['code' => self::now($totp), 'current_password' => 'wrong'])
            ->assertSessionHasErrors('current_password');
        self::assertNull($user->refresh()->totp_secret);
        $done = $this->put('/account/second-factor', ['code' => self::now($totp), 'current_password' => self::PASSWORD]);
        $done->assertRedirect('/account')->assertSessionHas('codes');
        self::assertNotNull($user->refresh()->totp_secret);
        self::assertStringNotContainsString($totp->base32(), (string) DB::table('users')->where('id', $user->id)->value('totp_secret'));
        $this->get('/account')->assertSee('Recovery codes, shown this once')->assertSee('8 recovery codes are left');
        $this->get('/account')->assertDontSee('Recovery codes, shown this once');
    }

    #[Test]
    public function the_password_alone_opens_nothing_and_a_code_opens_once(): void
    {
        [$user, $totp] = $this->guarded();
        $this->get('/settings-nobody-has');
        $this->post('/login', ['email' => $user->email, 'password' => self::PASSWORD])->assertRedirect('/login/code');
        $this->assertGuest();
        $this->get('/')->assertRedirect('/login');
        $this->get('/login/code')->assertOk()->assertSee('The code of your authenticator');
        $this->post('/login/code', ['code' => '12 34'])->assertSessionHasErrors('code');
        $this->assertGuest();
        $code = self::now($totp);
        $this->post('/login/code', ['code' => substr($code, 0, 3) . ' ' . substr($code, 3)])->assertRedirect('/');
        $this->assertAuthenticatedAs($user);
        $this->post('/logout');
        $this->post('/login', ['email' => $user->email, 'password' => self::PASSWORD]);
        $this->post('/login/code', ['code' => $code])->assertSessionHasErrors('code');
        $this->assertGuest();
    }

    #[Test]
    public function a_recovery_code_opens_once_and_says_how_many_are_left(): void
    {
        [$user, , $codes] = $this->guarded();
        foreach ([true, false] as $opens) {
            $this->post('/login', ['email' => $user->email, 'password' => self::PASSWORD])->assertRedirect('/login/code');
            $answer = $this->post('/login/code', ['code' => $codes->codes[0]]);
            $isTold = static fn(string $said): bool => str_contains($said, '7 are left');
            $opens ? $answer->assertRedirect('/')->assertSessionHas('said', $isTold)
                : $answer->assertSessionHasErrors('code');
            $this->post('/logout');
        }
    }

    #[Test]
    public function guessing_codes_is_slowed_down_and_a_wrong_password_never_reaches_them(): void
    {
        [$user, $totp] = $this->guarded();
        $this->post('/login', ['email' => $user->email, 'password' => 'wrong'])->assertSessionHasErrors('email');
        $this->get('/login/code')->assertRedirect('/login');
        $this->post('/login', ['email' => $user->email, 'password' => self::PASSWORD])->assertRedirect('/login/code');
        for ($i = 0; $i < 5; $i++) {
            $this->post('/login/code', ['code' => "00000$i"])->assertSessionHasErrors('code');
        }
        $this->post('/login/code', ['code' => self::now($totp)])->assertStatus(429)->assertHeader('Retry-After');
        $this->travel(31)->seconds();
        $this->post('/login/code', ['code' => self::now($totp)])->assertRedirect('/');
    }

    #[Test]
    public function what_waits_too_long_or_for_a_password_that_was_changed_begins_again(): void
    {
        [$user, $totp] = $this->guarded();
        $this->post('/login', ['email' => $user->email, 'password' => self::PASSWORD]);
        $this->travel(11)->minutes();
        $this->post('/login/code', ['code' => self::now($totp)])->assertRedirect('/login');
        $this->assertGuest();
        $this->post('/login', ['email' => $user->email, 'password' => self::PASSWORD]);
        $user->update(['password' => 'another secret, long']);
        $this->post('/login/code', ['code' => self::now($totp)])->assertRedirect('/login');
        $this->assertGuest();
    }

    #[Test]
    public function the_password_takes_it_off_and_a_lead_takes_it_off_for_the_own_company_only(): void
    {
        [$user] = $this->guarded();
        $this->actingAs($user)->delete('/account/second-factor', ['password_now' => 'wrong'])->assertSessionHasErrors('password_now');
        $this->delete('/account/second-factor', ['password_now' => self::PASSWORD])->assertRedirect('/account');
        self::assertNull($user->refresh()->totp_secret);
        [$mine] = $this->guarded();
        $stranger = UserFactory::make(Role::Lead);
        $this->actingAs($stranger)->delete("/people/$mine->id/second-factor")->assertNotFound();
        self::assertNotNull($mine->refresh()->totp_secret);
        $lead = UserFactory::make(Role::Lead);
        $mine->update(['company_id' => $lead->company_id]);
        $this->actingAs($lead)->get('/people')->assertSee('Take the second factor off');
        $this->delete("/people/$mine->id/second-factor")->assertRedirect('/people');
        self::assertNull($mine->refresh()->totp_secret);
    }

    #[Test]
    public function the_command_for_a_lost_password_takes_it_off_when_it_is_asked_to(): void
    {
        [$user] = $this->guarded();
        $this->artisan('person:reset', ['email' => $user->email])->assertSuccessful();
        self::assertNotNull($user->refresh()->totp_secret);
        $this->artisan('person:reset', ['email' => $user->email, '--second-factor' => true])->assertSuccessful();
        self::assertNull($user->refresh()->totp_secret);
    }

    /** @return array{User, Totp, RecoveryCodes} */
    private function guarded(): array
    {
        $user = UserFactory::make();
        $secret = Totp::fresh();
        $codes = RecoveryCodes::fresh();
        $user->update(['totp_secret' => $secret, 'recovery_codes' => $codes->hashes()]);

        return [$user, new Totp($secret), $codes];
    }

    private static function now(Totp $totp): string
    {
        return $totp->code(intdiv(Carbon::now()->getTimestamp(), Totp::STEP_S));
    }
}
