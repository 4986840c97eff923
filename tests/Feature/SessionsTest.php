<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use Database\Factories\UserFactory;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Sessions end when they should, and a form that comes after the end loses nothing. */
final class SessionsTest extends TestCase
{
    #[Test]
    public function another_password_ends_every_other_session(): void
    {
        $user = UserFactory::make(Role::Technician);
        $this->openElsewhere($user);
        $this->actingAs($user)->put(
            '/account/password',
            [
                'current_password' => 'a long enough secret', 'password' => 'a sentence that holds',
                'password_confirmation' => 'a sentence that holds',
            ],
        )
            ->assertSessionHasNoErrors();
        self::assertSame(0, DB::table('sessions')->where('user_id', $user->id)->count());
    }

    #[Test]
    public function another_role_ends_the_sessions_of_that_person_only(): void
    {
        $lead = $this->signIn(Role::Lead);
        $person = UserFactory::make(Role::Technician);
        $person->update(['company_id' => $lead->company_id]);
        $this->openElsewhere($person);
        $this->openElsewhere($lead);
        $this->put("/people/$person->id", ['role' => 'viewer', 'is_here' => '1'])->assertSessionHasNoErrors();
        self::assertSame([$lead->id], DB::table('sessions')->pluck('user_id')->all());
    }

    #[Test]
    public function addresses_are_compared_as_they_are_and_only_failures_count(): void
    {
        $user = UserFactory::make(Role::Technician);
        $user->update(['email' => 'ida@lantern.example']);
        $this->post('/login', ['email' => 'idá@lantern.example', 'password' => 'a long enough secret'])->assertSessionHasErrors('email');
        foreach (range(1, 8) as $time) {
            $this->post('/login', ['email' => 'Ida@lantern.example', 'password' => 'a long enough secret'])->assertRedirect('/');
            $this->post('/logout');
        }
        foreach (range(1, 5) as $time) {
            $this->post('/login', ['email' => 'ida@lantern.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
        }
        $this->post('/login', ['email' => 'ida@lantern.example', 'password' => 'wrong'])->assertStatus(429);
    }

    #[Test]
    public function a_form_sent_after_the_end_of_its_session_stands_in_its_form_again(): void
    {
        $user = UserFactory::make(Role::Technician);
        $switch = $this->switchOf($user);
        $form = config('app.url') . "/switches/$switch->id/settings";
        $this->post(
            "/switches/$switch->id/settings",
            ['note' => 'After the storm', 'password' => 'never'],
            ['referer' => $form],
        )->assertRedirect('/login');
        $this->get('/login')->assertSee('go on with what you typed');
        $this->post(
            '/login',
            ['email' => $user->email, 'password' => 'a long enough secret'],
        )->assertRedirect("/switches/$switch->id/settings")->assertSessionHas('_old_input', ['note' => 'After the storm']);
        $this->get("/switches/$switch->id/settings")->assertSee('After the storm');
    }

    #[Test, DataProvider('strangers')]
    public function what_comes_from_elsewhere_is_not_kept(array $headers): void
    {
        $switch = $this->switchOf(UserFactory::make(Role::Technician));
        $this->post(
            "/switches/$switch->id/settings",
            ['note' => 'planted'],
            $headers,
        )->assertRedirect('/login')->assertSessionMissing('interrupted');
    }

    /** @return iterable<string, array{array<string, string>}> */
    public static function strangers(): iterable
    {
        yield 'another host' => [['referer' => 'http://escapement.example/form']];
        yield 'another site by the browser' => [[
            'referer' => 'http://127.0.0.1:8080/switches/1/settings', 'sec-fetch-site' => 'cross-site',
        ]];
        yield 'nobody says' => [[]];
    }

    #[Test, DataProvider('numbers')]
    public function a_number_that_cannot_be_ours_is_not_found(string $method, string $path): void
    {
        $switch = $this->switchOf($this->signIn(Role::Lead));
        $this->call($method, str_replace('SWITCH', (string) $switch->id, $path))->assertNotFound();
    }

    /** @return iterable<string, array{string, string}> */
    public static function numbers(): iterable
    {
        yield 'a version' => ['GET', '/switches/SWITCH/settings/99999999999999999999.json'];
        yield 'a person' => ['PUT', '/people/abc'];
        yield 'a switch' => ['GET', '/switches/99999999999999999999/plan'];
        yield 'a run' => ['GET', '/runs/99999999999999999999'];
    }

    #[Test]
    public function a_name_with_a_line_break_makes_no_header(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['name' => "Q1\r\nX: y\"; "]);
        $this->get("/switches/$switch->id/settings/1.json")->assertOk()->assertHeaderMissing('X')->assertHeader(
            'Content-Disposition',
            'attachment; filename="fern-hill-3-q1-x-y-v1.json"',
        );
    }

    #[Test]
    public function a_node_without_its_database_says_so(): void
    {
        $this->get('/up')->assertOk()->assertSee('escapement: up');
        config(['database.connections.gone' => ['port' => 1] + config('database.connections.mariadb')]);
        $own = DB::getDefaultConnection();
        DB::setDefaultConnection('gone');
        $answer = $this->get('/up');
        DB::setDefaultConnection($own);
        $answer->assertStatus(503);
    }

    private function openElsewhere(User $user): void
    {
        DB::table('sessions')->insert([
            'id' => "s-$user->id", 'user_id' => $user->id, 'ip_address' => '127.0.0.1', 'user_agent' => 'test', 'payload' => '',
            'last_activity' => time(),
        ]);
    }
}
