<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\Stage\Account\AccountChanged;
use Database\Factories\UserFactory;
use Illuminate\Support\Facades\Mail;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class AccountTest extends TestCase
{
    #[Test]
    public function the_right_password_opens_and_gives_a_new_session(): void
    {
        $user = UserFactory::make();
        $this->get('/login');
        $before = $this->app['session']->getId();
        $this->post('/login', ['email' => $user->email, 'password' => 'a long enough secret'])->assertRedirect('/');
        $this->assertAuthenticatedAs($user);
        self::assertNotSame($before, $this->app['session']->getId());
    }

    #[Test]
    public function a_wrong_password_is_told_at_the_field_and_the_address_is_kept(): void
    {
        $user = UserFactory::make();
        $this->from('/login')->post(
            '/login',
            ['email' => $user->email, 'password' => 'wrong'],
        )->assertRedirect('/login')->assertSessionHasErrors('email');
        $this->get('/login')->assertSee('do not belong together')->assertSee($user->email);
        $this->assertGuest();
    }

    #[Test]
    public function guessing_is_slowed_down(): void
    {
        $user = UserFactory::make();
        for ($i = 0; $i < 5; $i++) {
            $this->post('/login', ['email' => $user->email, 'password' => "guess $i"])->assertRedirect();
        }
        $right = ['email' => $user->email, 'password' => 'a long enough secret'];
        $this->post('/login', $right)->assertStatus(429)->assertHeader('Retry-After');
        $this->assertGuest();
        $this->travel(31)->seconds();
        $this->post('/login', ['email' => $user->email, 'password' => 'guess 6'])->assertRedirect();
        $this->travel(31)->seconds();
        $this->post('/login', $right)->assertStatus(429);
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.9'])->post('/login', $right)->assertRedirect('/');
        $this->post('/logout');
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1']);
        $this->travel(31)->seconds();
        $this->post('/login', $right)->assertRedirect('/');
        $this->post('/logout');
        $this->post('/login', ['email' => $user->email, 'password' => 'slip'])->assertSessionHasErrors('email');
        $this->post('/login', $right)->assertRedirect('/');
    }

    #[Test]
    public function a_new_password_needs_the_old_one_and_twelve_characters(): void
    {
        $user = $this->signIn();
        $change = fn(string $old, string $new) => $this->put(
            '/account/password',
            ['current_password' => $old, 'password' => $new, 'password_confirmation' => $new],
        );
        $change('not it', 'another long secret')->assertSessionHasErrors('current_password');
        $change('a long enough secret', 'short')->assertSessionHasErrors('password');
        $change('a long enough secret', 'another long secret')->assertRedirect('/account')->assertSessionHasNoErrors();
        self::assertTrue(password_verify('another long secret', (string) User::query()->findOrFail($user->id)->password));
    }

    #[Test]
    public function signing_out_ends_it(): void
    {
        $this->signIn();
        $this->post('/logout')->assertRedirect('/login');
        $this->assertGuest();
        $this->get('/')->assertRedirect('/login');
    }

    #[Test]
    public function a_mail_says_what_was_changed_at_an_account(): void
    {
        Mail::fake();
        $user = $this->signIn();
        $this->put('/account/password', [
            'current_password' => 'a long enough secret', 'password' => 'a sentence that holds',
            'password_confirmation' => 'a sentence that holds',
        ])->assertSessionHasNoErrors();
        $user->update(['totp_secret' => random_bytes(20)]);
        $this->delete('/account/second-factor', ['password_now' => 'a sentence that holds'])->assertSessionHasNoErrors();
        $said = [];
        Mail::assertQueued(AccountChanged::class, static function (AccountChanged $mail) use (&$said, $user): bool {
            $said[] = $mail->what;

            return $mail->hasTo($user->email) && str_contains($mail->render(), 'If this was not you');
        });
        self::assertSame(['Your password was changed.', 'Your second factor was turned off.'], $said);
    }
}
