<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Company;
use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Database\Factories\UserFactory;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The first day of a company: begin without the demo, invite, choose another password, see where one is signed in. */
final class BeginTest extends TestCase
{
    private const SECRET = 'a sentence is easiest';
    private const NEW = [
        'company' => 'Mill Lane Power', 'name' => 'Ana Reed', 'email' => 'ana@mill.example', 'password' => self::SECRET,
        'password_confirmation' => self::SECRET,
    ];

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test]
    public function the_first_company_is_made_by_the_link_and_by_no_second_use_of_it(): void
    {
        $link = $this->begun();
        $this->get($link)->assertOk()->assertSee('Create company');
        $this->post($link, self::NEW)->assertRedirect('/')->assertSessionHasNoErrors();
        self::assertSame(Role::Lead, User::query()->firstOrFail()->role);
        $this->get('/')->assertOk()->assertDontSee('class="demo"', false);
        $this->post($link, ['email' => 'eve@else.example'] + self::NEW)->assertNotFound();
        $this->get($link)->assertNotFound();
        Artisan::call('company:begin');
        self::assertSame('', trim(Artisan::output()), 'somebody has begun');
        self::assertSame(1, Company::query()->count());
    }

    #[Test]
    public function an_older_link_to_begin_ends_with_a_newer_one_and_every_link_after_three_days(): void
    {
        $first = $this->begun();
        $second = $this->begun();
        $this->get($first)->assertNotFound();
        Carbon::setTestNow(Carbon::now()->addHours(73));
        $this->get($second)->assertNotFound();
        $this->get('/join/nonsense')->assertNotFound();
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function faults(): iterable
    {
        yield 'no company' => [['company' => ''], 'company'];
        yield 'no name' => [['name' => ' '], 'name'];
        yield 'no address' => [['email' => 'ana'], 'email'];
        yield 'a short password' => [['password' => 'short', 'password_confirmation' => 'short'], 'password'];
        foreach (['passwordpassword', 'qwertyuiop123456', 'aaaaaaaaaaaa', '123456789012', 'Escapement2026'] as $guessed) {
            yield "guessed first: $guessed" => [['password' => $guessed, 'password_confirmation' => $guessed], 'password'];
        }
        yield 'two passwords' => [['password_confirmation' => 'another sentence'], 'password'];
        $long = str_repeat('ä', 40); // 80 bytes: bcrypt would read 72 of them
        yield 'a password that would be cut' => [['password' => $long, 'password_confirmation' => $long], 'password'];
    }

    /** @param array<string, string> $typed */
    #[Test, DataProvider('faults')]
    public function what_is_missing_is_said_at_its_field_and_the_link_still_works(array $typed, string $field): void
    {
        $link = $this->begun();
        $this->post($link, $typed + self::NEW)->assertSessionHasErrors($field);
        self::assertSame(0, User::query()->count());
        $this->get($link)->assertOk();
    }

    #[Test]
    public function a_lead_invites_by_link_and_the_person_chooses_the_password(): void
    {
        $lead = $this->signIn(Role::Lead);
        $this->post('/people', ['name' => 'Nell Marsh', 'email' => 'nell@mill.example', 'role' => 'technician'])->assertSessionHas('link');
        $link = (string) session('link');
        self::assertSame(1, User::query()->count(), 'nobody is made before the link is used');
        $this->app['auth']->forgetGuards();
        $this->get($link)->assertOk()->assertSee('nell@mill.example')->assertSee('As technician');
        $this->post($link, ['email' => 'other@mill.example', 'name' => 'Nell Marsh'] + self::NEW)->assertRedirect('/');
        $nell = User::query()->where('email', 'nell@mill.example')->firstOrFail();
        self::assertSame([$lead->company_id, Role::Technician], [$nell->company_id, $nell->role]);
    }

    #[Test]
    public function another_password_by_link_ends_what_was_open_and_strangers_get_none(): void
    {
        $lead = $this->signIn(Role::Lead);
        $person = UserFactory::make(Role::Technician, $lead->company_id);
        $other = UserFactory::make(Role::Technician);
        $this->post("/people/$other->id/link")->assertNotFound();
        $this->post("/people/$person->id/link")->assertSessionHas('link');
        $link = (string) session('link');
        DB::table('sessions')->insert(['id' => 'old', 'user_id' => $person->id, 'payload' => '', 'last_activity' => time()]);
        $this->app['auth']->forgetGuards();
        $this->post($link, ['password' => self::SECRET, 'password_confirmation' => self::SECRET])->assertRedirect('/');
        self::assertSame(0, DB::table('sessions')->where('id', 'old')->count());
        $this->post('/logout');
        $this->post('/login', ['email' => $person->email, 'password' => self::SECRET])->assertRedirect('/');
    }

    #[Test]
    public function a_sign_in_elsewhere_is_listed_without_its_id_and_can_be_ended(): void
    {
        $user = $this->signIn();
        $row = ['user_id' => $user->id, 'payload' => '', 'last_activity' => time(), 'user_agent' => 'Mozilla (Android 14)'];
        DB::table('sessions')->insert(['id' => 'left-behind', 'ip_address' => '192.0.2.7'] + $row);
        $other = UserFactory::make(Role::Technician);
        DB::table('sessions')->insert(['id' => 'of-somebody-else', 'user_id' => $other->id] + $row);
        $page = $this->get('/account')->assertOk()->assertSee('Android')->assertSee('192.0.2.7')->assertDontSee('left-behind');
        preg_match('#account/sessions/([0-9a-f]{32})#', (string) $page->getContent(), $found);
        $this->delete('/account/sessions/' . ($found[1] ?? ''))->assertSessionHas('said');
        self::assertSame(['of-somebody-else'], DB::table('sessions')->pluck('id')->all());
    }

    #[Test]
    public function companies_are_made_and_exported_on_the_command_line_without_secrets(): void
    {
        self::assertSame(0, Artisan::call('company:create', ['name' => 'Mill Lane Power', 'email' => 'Ana@mill.example']));
        $link = trim(Artisan::output());
        $this->post($link, self::NEW)->assertRedirect('/');
        self::assertSame(1, Artisan::call('company:create', ['name' => 'Twice', 'email' => 'ana@mill.example']));
        self::assertSame(2, Artisan::call('company:create', ['name' => '', 'email' => 'nobody']));
        self::assertSame(0, Artisan::call('person:reset', ['email' => 'ana@mill.example']));
        self::assertStringContainsString('/join/', Artisan::output());
        self::assertSame(1, Artisan::call('person:reset', ['email' => 'eve@else.example']));
        $file = tempnam(sys_get_temp_dir(), 'export');
        unlink((string) $file);
        self::assertSame(0, Artisan::call('company:export', ['company' => Company::query()->firstOrFail()->id, 'file' => $file]));
        $zip = new \ZipArchive();
        $zip->open((string) $file);
        $all = '';
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $all .= $zip->getFromIndex($i);
        }
        unlink((string) $file);
        self::assertStringContainsString('Ana Reed', $all);
        self::assertStringNotContainsString('$2y$', $all);
        self::assertStringNotContainsString('token_hash', $all);
    }

    #[Test]
    public function a_company_of_the_demo_is_marked_on_every_page(): void
    {
        $user = $this->signIn();
        Company::query()->whereKey($user->company_id)->update(['is_demo' => true]);
        foreach (['/', '/library', '/fleet', '/account'] as $page) {
            $this->get($page)->assertSee('class="demo"', false);
        }
    }

    private function begun(): string
    {
        Artisan::call('company:begin');
        self::assertSame(1, Invitation::query()->count());

        return trim(Artisan::output());
    }
}
