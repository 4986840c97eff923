<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\BelongsToCompany;
use App\Models\Role;
use App\Models\Site;
use App\Models\User;
use Database\Factories\UserFactory;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WalksRoutes;

/** Walks every route there is: a new one that forgets to ask who comes fails here. */
final class RoutesTest extends TestCase
{
    use WalksRoutes;

    private const OPEN_TO_ALL = [
        'GET login',
        'POST login',
        'GET up',
        'GET join/{token}',
        'POST join/{token}',
        'GET feed/{token}.ics',
        'GET owner/{token}',
        'GET owner/{token}/handover.pdf',
        'GET owner/{token}/dates.ics',
        'POST owner/{token}/report',
        'POST feed/report',
    ];

    #[Test]
    public function a_stranger_gets_the_sign_in_page_and_nothing_else(): void
    {
        $switch = $this->switchOf($this->signIn());
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        $this->app['auth']->forgetGuards();
        $walked = 0;
        foreach ($this->routes() as [$method, $route]) {
            if (! in_array("$method {$route->uri()}", self::OPEN_TO_ALL, true)) {
                $this->call($method, $this->fill($route, $ids))->assertRedirect('/login');
                $walked++;
            }
        }
        self::assertGreaterThan(25, $walked);
    }

    #[Test]
    public function somebody_of_another_company_is_told_that_there_is_nothing(): void
    {
        $switch = $this->switchOf($this->signIn());
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        $this->signIn(Role::Lead);
        $walked = 0;
        foreach ($this->routes() as [$method, $route]) {
            // a link is its own key: HandoverTest, BeginTest
            if ($route->parameterNames() !== [] && preg_match('#^(owner|join|feed)/#', $route->uri()) !== 1) {
                $this->call($method, $this->fill($route, $ids))->assertNotFound();
                $walked++;
            }
        }
        self::assertGreaterThan(20, $walked);
        $this->get('/')->assertOk()->assertDontSee('Fern Hill 3');
        $this->get('/?q=Fern')->assertOk()->assertDontSee('Fern Hill 3');
    }

    #[Test]
    public function a_guest_sees_the_sites_that_were_named_and_nothing_of_the_others(): void
    {
        $owner = $this->signIn();
        $switch = $this->switchOf($owner);
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        $guest = UserFactory::make(Role::Guest, $owner->company_id);
        $named = Site::query()->create([
            'company_id' => $owner->company_id, 'name' => 'Named Lane 1', 'installation' => InstallationKind::WholeHouse,
            'timezone' => 'UTC', 'units' => 'us',
        ]);
        $guest->update(['guest_until' => now()->addDay()]);
        DB::table('guest_sites')->insert(['user_id' => $guest->id, 'site_id' => $named->id]);
        $this->actingAs($guest->refresh());
        $walked = 0;
        foreach ($this->routes() as [$method, $route]) {
            if (preg_match('#^(owner|join|feed|login|logout|up$|account)#', $route->uri()) === 1) {
                continue;
            }
            $answer = $this->call($method, $this->fill($route, $ids));
            // the company's instruments are there to work with, whatever they are called
            $shown = str_replace('Fern Hill 3 meter', '', (string) $answer->getContent());
            self::assertStringNotContainsString('Fern Hill 3', $shown, "$method {$route->uri()}");
            if ($route->parameterNames() !== [] && ! str_starts_with($route->uri(), 'visits/{person}')) {
                self::assertContains($answer->getStatusCode(), [403, 404], "$method {$route->uri()}");
                $walked++;
            }
        }
        self::assertGreaterThan(100, $walked);
        $this->get('/')->assertOk()->assertSee('Named Lane 1');
        $this->get("/sites/$named->id")->assertOk();
        $this->travel(2)->days();
        $this->get('/')->assertRedirect('/login');
        $this->assertGuest();
        $this->post('/login', ['email' => $guest->email, 'password' => 'a long enough secret'])->assertSessionHasErrors('email');
    }

    #[Test]
    public function every_table_of_a_company_says_what_a_guest_sees_of_it(): void
    {
        $guest = UserFactory::make(Role::Guest);
        $site = $this->switchOf($guest)->site_id;
        $guest->update(['guest_until' => now()->addDay()]);
        DB::table('guest_sites')->insert(['user_id' => $guest->id, 'site_id' => $site]);
        $this->actingAs($guest->refresh());
        $hidden = [];
        foreach ((array) glob(app_path('Models/*.php')) as $file) {
            /** @var class-string $class */
            $class = 'App\\Models\\' . basename((string) $file, '.php');
            if (is_a($class, Model::class, true) && in_array(BelongsToCompany::class, class_uses_recursive($class), true)) {
                $query = $class::query();
                if (str_ends_with($query->toSql(), 'and 0 = 1')) {
                    $hidden[] = $query->getModel()->getTable();
                }
                $query->count(); // the columns it names are there
            }
        }
        self::assertEqualsCanonicalizing(
            ['circuit_templates', 'device_pins', 'device_profiles', 'devices', 'fleet_feeds', 'imported_runs', 'scenarios', 'visit_plans',
                'webhook_calls', 'webhooks'],
            $hidden,
        );
        self::assertNotContains('equipment', $hidden);
    }

    #[Test]
    public function what_runs_in_nobodys_name_never_runs_as_a_guest(): void
    {
        $guest = UserFactory::make(Role::Guest);
        self::assertNull(User::readerOf($guest->company_id));
        $viewer = UserFactory::make(Role::Viewer, $guest->company_id);
        $viewer->update(['left_at' => now()]);
        self::assertTrue($viewer->is(User::readerOf($guest->company_id)), 'somebody who left still sees all of it');
        $technician = UserFactory::make(Role::Technician, $guest->company_id);
        self::assertTrue($technician->is(User::readerOf($guest->company_id)));
    }

    #[Test]
    public function an_apprentice_works_and_writes_and_signs_nothing(): void
    {
        $owner = $this->signIn();
        $switch = $this->switchOf($owner);
        $apprentice = UserFactory::make(Role::Apprentice, $owner->company_id);
        $this->actingAs($apprentice);
        $run = $this->runOf($switch);
        $this->get("/runs/$run->id")->assertOk()->assertSee('A technician signs this run')->assertDontSee('Sign and close');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Somebody'])->assertForbidden();
        $this->post("/runs/$run->id/link")->assertForbidden();
        $this->get('/sites/new')->assertForbidden();
        $this->get('/')->assertOk()->assertDontSee('New site');
        self::assertNull($run->refresh()->signed_at);
    }

    #[Test]
    public function a_lead_names_the_sites_of_a_guest_of_the_own_company(): void
    {
        $lead = $this->signIn(Role::Lead);
        $switch = $this->switchOf($lead);
        $guest = UserFactory::make(Role::Guest, $lead->company_id);
        $this->get('/people')->assertOk()->assertSee('No site is named yet')->assertSee('Fern Hill 3');
        $named = static fn(string $until, int ...$sites): array => ['guest' => [$guest->id => ['until' => $until, 'sites' => $sites]]];
        $this->put("/people/$guest->id/guest", $named('2020-01-01', $switch->site_id))->assertSessionHasErrors("guest.$guest->id.until");
        $foreign = $this->switchOf(UserFactory::make())->site_id;
        $this->put("/people/$guest->id/guest", $named(now()->addWeek()->toDateString(), $switch->site_id, $foreign))
            ->assertRedirect('/people');
        self::assertSame([$switch->site_id], DB::table('guest_sites')->where('user_id', $guest->id)->pluck('site_id')->all());
        $this->actingAs($guest->refresh())->get('/')->assertOk()->assertSee('Fern Hill 3');
        $technician = UserFactory::make(Role::Technician, $lead->company_id);
        $other = ['guest' => [$technician->id => ['until' => now()->addWeek()->toDateString()]]];
        $this->actingAs($lead)->put("/people/$technician->id/guest", $other)->assertSessionHasErrors("guest.$technician->id");
    }

    #[Test]
    public function a_viewer_reads_everything_and_changes_nothing(): void
    {
        $owner = $this->signIn();
        $switch = $this->switchOf($owner);
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        $this->actingAs(UserFactory::make(Role::Viewer, $owner->company_id));
        $mayPost = [
            'switches/{switch}/bench/log.csv', 'logout', 'account/password', 'notices', 'switches/{switch}/rehearsal',
            'switches/{switch}/rehearsal.{form}', 'owner/{token}/report', 'board/views'];
        foreach ($this->routes() as [$method, $route]) {
            if (in_array($route->uri(), [
                'login', 'login/code', 'up', 'logout', 'join/{token}', 'account/sessions/{session}', 'account/second-factor',
                'account/tokens', 'account/tokens/{key}', 'account/pin', 'change', 'change/password', 'feed/report',
            ], true)) {
                continue;
            }
            // a part of a page
            $part = in_array($route->uri(), ['runs/{run}/verdict', 'runs/{run}/parts'], true) ? ['HTTP_HX_REQUEST' => 'true'] : [];
            $answer = $this->call($method, $this->fill($route, $ids), server: $part);
            $elsewhere = ['sites/new', 'sites/import', 'pictures', 'people', 'webhooks', 'switches/{switch}/circuit/edit',
                'switches/{switch}/bench/log.csv'];
            if ($method === 'GET' && ! in_array($route->uri(), $elsewhere, true)) {
                self::assertSame(200, $answer->getStatusCode(), $route->uri());
                self::assertDoesNotMatchRegularExpression(
                    '#type="submit">\s*(Save|Add|Begin|Sign the|Put|Propose|Keep|Read it)#',
                    (string) $answer->getContent(),
                    'a button that would be refused: ' . $route->uri(),
                );
            } elseif (! in_array($route->uri(), $mayPost, true)) {
                self::assertSame(403, $answer->getStatusCode(), "$method {$route->uri()}");
            }
        }
    }

    #[Test]
    public function every_answer_carries_the_strict_policy_and_no_page_has_inline_script_or_style(): void
    {
        $switch = $this->switchOf($this->signIn(Role::Lead));
        $ids = $this->ids($switch->site_id, $switch->id, $this->runOf($switch)->id);
        foreach ($this->routes() as [$method, $route]) {
            if ($method !== 'GET') {
                continue;
            }
            $answer = $this->get($this->fill($route, $ids));
            $policy = (string) $answer->headers->get('Content-Security-Policy');
            self::assertStringContainsString("script-src 'self';", $policy, $route->uri());
            self::assertStringNotContainsString('unsafe', $policy);
            if (str_contains((string) $answer->headers->get('Content-Type'), 'html')) {
                self::assertDoesNotMatchRegularExpression(
                    '/\w->\w|\{\{ |@(if|foreach|error|php)\b/',
                    (string) $answer->getContent(),
                    'a template that was not read: ' . $route->uri(),
                );
                self::assertDoesNotMatchRegularExpression(
                    '/<script(?![^>]*\bsrc=)|\sstyle="|\son\w+="/',
                    (string) $answer->getContent(),
                    $route->uri(),
                );
            }
        }
    }

    /** @param array<string, int|string> $ids */
    private function fill(Route $route, array $ids): string
    {
        $ids['token'] = str_starts_with($route->uri(), 'feed/') ? $ids['feed-token'] : $ids['token'];
        $ids['form'] = str_contains($route->uri(), 'circuit.') ? 'json' : $ids['form'];

        return '/' . preg_replace_callback('/\{(\w+)\}/', static fn(array $part): string => (string) $ids[$part[1]], $route->uri());
    }
}
