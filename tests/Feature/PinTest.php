<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\DevicePin;
use App\Models\Role;
use App\Models\User;
use App\Stage\Account\SecondFactor\Totp;
use Database\Factories\UserFactory;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** A phone that goes from hand to hand: by PIN, on the device where it was set, for marks and answers only. */
final class PinTest extends TestCase
{
    private const PASSWORD = 'a long enough secret';

    private string $device;

    protected function setUp(): void
    {
        parent::setUp();
        $this->device = Str::random(40);
    }

    #[Test]
    public function the_next_person_marks_in_their_own_name_and_signs_with_the_password_only(): void
    {
        [$first, $second] = $this->two();
        $run = $this->runOf($this->switchOf($first));
        $this->actingAs($first);
        $this->post('/change', ['person' => $second->id, 'pin' => '2580', 'back' => "/runs/$run->id"])->assertRedirect("/runs/$run->id");
        $this->assertAuthenticatedAs($second);
        $mark = ['id' => (string) Str::uuid(), 'event' => 'utility_off', 'at_ms' => 0, 'client_wall' => '2026-11-27T10:00:00+00:00'];
        $this->postJson("/runs/$run->id/marks", ['marks' => [$mark]])->assertOk()->assertJson(['refused' => []]);
        self::assertSame($second->id, $run->marks()->firstOrFail()->user_id);

        $sign = ['name' => $second->name, 'note' => 'Windy'];
        $this->post("/runs/$run->id/sign", $sign, ['referer' => config('app.url') . "/runs/$run->id/verdict"])
            ->assertRedirect('/change/password');
        self::assertNull($run->refresh()->signed_at);
        $this->post('/change/password', ['password' => 'wrong'])->assertSessionHasErrors('password');
        $this->post('/change/password', ['password' => self::PASSWORD])->assertRedirect("/runs/$run->id/verdict");
        self::assertSame('Windy', session('_old_input')['note'] ?? null, 'what was typed waits');
        self::assertStringNotContainsString('password', (string) $this->post("/runs/$run->id/sign", $sign)->headers->get('Location'));
    }

    /** @return array<string, array{string, string}> */
    public static function closed(): array
    {
        return [
            'people' => ['get', '/people'],
            'webhooks' => ['get', '/webhooks'],
            'company' => ['put', '/company'],
            'token' => ['post', '/account/tokens'],
            'password' => ['put', '/account/password'],
            'second factor' => ['put', '/account/second-factor'],
            'another PIN' => ['put', '/account/pin'],
        ];
    }

    #[Test]
    #[DataProvider('closed')]
    public function a_pin_opens_no_account_and_no_company(string $method, string $path): void
    {
        [$first, $second] = $this->two();
        $second->update(['role' => Role::Lead]);
        $this->actingAs($first)->post('/change', ['person' => $second->id, 'pin' => '2580']);
        $this->from('/account')->call($method, $path)->assertRedirect('/change/password');
        $this->json($method, $path)->assertForbidden();
    }

    #[Test]
    public function five_wrong_pins_in_a_row_forget_it(): void
    {
        [$first, $second] = $this->two();
        $this->actingAs($first);
        foreach ([4, 3, 2, 1] as $left) {
            $this->post('/change', ['person' => $second->id, 'pin' => '1379'])
                ->assertSessionHasErrors(['pin' => "Not the PIN of $second->name. After $left more it is forgotten here."]);
        }
        $this->post('/change', ['person' => $second->id, 'pin' => '1379'])->assertSessionHasErrors('person');
        $this->assertAuthenticatedAs($first);
        self::assertSame(0, DevicePin::query()->where('user_id', $second->id)->count());
    }

    #[Test]
    public function it_is_good_on_its_device_and_in_its_company_only(): void
    {
        [$first, $second] = $this->two();
        $this->actingAs($first)->withCookie('escapement_device', Str::random(40));
        $this->post('/change', ['person' => $second->id, 'pin' => '2580'])->assertSessionHasErrors('person');
        $stranger = UserFactory::make();
        $this->actingAs($stranger)->withCookie('escapement_device', $this->device);
        $this->get('/change')->assertOk()->assertDontSee($second->name);
        $this->post('/change', ['person' => $second->id, 'pin' => '2580'])->assertSessionHasErrors('person');
        $this->assertAuthenticatedAs($stranger);
    }

    #[Test]
    public function it_ends_with_another_password_and_with_leaving(): void
    {
        [$first, $second] = $this->two();
        $second->update(['left_at' => Carbon::now()]);
        $this->actingAs($first)->get('/change')->assertDontSee($second->name);
        $this->post('/change', ['person' => $second->id, 'pin' => '2580'])->assertSessionHasErrors('person');
        $second->update(['left_at' => null]);
        $second->endSessions();
        $this->post('/change', ['person' => $second->id, 'pin' => '2580'])->assertSessionHasErrors('person');
    }

    #[Test]
    public function with_a_second_factor_the_password_alone_completes_nothing(): void
    {
        [$first, $second] = $this->two();
        $secret = Totp::fresh();
        $second->update(['totp_secret' => $secret, 'recovery_codes' => []]);
        $this->actingAs($first)->post('/change', ['person' => $second->id, 'pin' => '2580']);
        $this->post('/change/password', ['password' => self::PASSWORD])->assertSessionHasErrors('code');
        $code = (new Totp($secret))->code(intdiv(Carbon::now()->getTimestamp(), Totp::STEP_S));
        $this->post('/change/password', ['password' => self::PASSWORD, 'code' => $code])
            ->assertSessionHasNoErrors();
        $this->get('/account/second-factor')->assertRedirect('/account');
    }

    /** @return array<string, array{string}> */
    public static function refused(): array
    {
        return [
            'letters' => ['12ab'], 'short' => ['258'], 'long' => ['258025802'], 'one digit' => ['7777'], 'in a row' => ['3456'],
            'none' => [''],
        ];
    }

    #[Test]
    #[DataProvider('refused')]
    public function a_pin_that_is_none_is_refused_at_its_field(string $pin): void
    {
        $this->signIn();
        $this->put('/account/pin', ['pin' => $pin, 'pin_password' => self::PASSWORD])->assertSessionHasErrors('pin');
        self::assertSame(0, DevicePin::query()->count());
    }

    #[Test]
    public function nobody_is_sent_elsewhere_after_a_change(): void
    {
        foreach (['//evil.example/x', 'https://escapement.example', '/\\evil.example', 'runs/1'] as $back) {
            [$first, $second] = $this->two();
            $this->actingAs($first)->post('/change', ['person' => $second->id, 'pin' => '2580', 'back' => $back])->assertRedirect('/');
        }
    }

    #[Test]
    public function pages_of_a_phone_are_kept_for_the_one_they_were_made_for(): void
    {
        $user = $this->signIn();
        self::assertSame((string) $user->id, $this->get('/my-day')->headers->get('Escapement-Person'));
        $this->post('/logout');
        self::assertNull($this->get('/login')->headers->get('Escapement-Person'));
    }

    /** @return array{User, User} of one company; the second has the PIN 2580 on this device */
    private function two(): array
    {
        $first = UserFactory::make();
        $second = UserFactory::make(companyId: $first->company_id);
        $this->withCookie('escapement_device', $this->device);
        $this->actingAs($second)->put('/account/pin', ['pin' => '2580', 'pin_password' => self::PASSWORD])->assertSessionHasNoErrors();

        return [$first, $second];
    }
}
