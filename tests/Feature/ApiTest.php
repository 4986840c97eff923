<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LoadTest;
use App\Models\Mark;
use App\Models\Role;
use App\Models\Run;
use App\Models\Site;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Api\Scope;
use Database\Factories\UserFactory;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\Verification;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** What a program does with a token: an errand from a new site to a record that verifies, and what it is refused. */
final class ApiTest extends TestCase
{
    private const SITE = ['name' => 'Rook Lane 4', 'timezone' => 'UTC', 'units' => 'us', 'installation' => 'K1'];

    #[Test]
    public function a_token_is_made_with_the_password_shown_once_and_ended(): void
    {
        $user = $this->signIn();
        $typed = ['token_name' => 'office', 'scopes' => ['read'], 'token_days' => 30, 'token_password' => 'wrong'];
        $this->post('/account/tokens', $typed)->assertSessionHasErrors('token_password');
        $this->post('/account/tokens', ['scopes' => ['all']] + $typed)->assertSessionHasErrors('scopes.0');
        self::assertSame(0, $user->tokens()->count());
        $this->post('/account/tokens', ['token_password' => 'a long enough secret'] + $typed)
            ->assertSessionHasNoErrors()->assertRedirect('/account');
        $token = session('token');
        $this->get('/account')->assertSee($token)->assertSee('office');
        $this->get('/account')->assertDontSee($token)->assertSee('office');
        self::assertStringNotContainsString(Str::after($token, '|'), (string) json_encode(DB::table('personal_access_tokens')->get()));
        $this->bearing($token)->getJson('/api/v1/sites')->assertOk();

        $other = UserFactory::make();
        $key = $user->tokens()->firstOrFail()->id;
        $this->actingAs($other)->delete("/account/tokens/$key")->assertNotFound();
        $this->actingAs($user)->delete("/account/tokens/$key")->assertRedirect('/account');
        $this->bearing($token)->getJson('/api/v1/sites')->assertUnauthorized();
    }

    #[Test]
    public function an_errand_from_a_site_to_a_record_that_verifies(): void
    {
        $user = UserFactory::make();
        $api = fn(): self => $this->bearing($this->tokenOf($user));
        $site = $api()->postJson('/api/v1/sites', self::SITE)->assertCreated();
        $api()->getJson((string) $site->headers->get('Location'))->assertOk()->assertJsonPath('name', 'Rook Lane 4');
        $empty = $site->json('switches.0.id');
        $api()->postJson("/api/v1/switches/$empty/runs", ['hazards_read' => true])->assertConflict();

        $switch = $this->switchOf($user);
        $api()->getJson("/api/v1/switches/$switch->id")->assertOk()->assertJsonPath('sheets.0.version', 1);
        $sheet = $api()->getJson("/api/v1/switches/$switch->id/sheets/1")->assertOk();
        $checked = $api()->postJson('/api/v1/calc/settings_check', (array) json_decode((string) $sheet->getContent()))->assertOk();
        self::assertArrayHasKey('findings', (array) $checked->json());
        $this->problem($api()->postJson("/api/v1/switches/$switch->id/runs", []), 422, '/hazards_read');
        $run = $api()->postJson("/api/v1/switches/$switch->id/runs", ['hazards_read' => true])->assertCreated()->json('id');
        $marks = ['marks' => [['id' => (string) Str::uuid(), 'event' => 'utility_off', 'at_ms' => 1000]]];
        $api()->postJson("/api/v1/runs/$run/marks", $marks)->assertOk()->assertJsonCount(1, 'kept');
        $api()->postJson("/api/v1/runs/$run/marks", $marks)->assertOk();
        self::assertSame(1, Mark::query()->withoutGlobalScope('company')->where('run_id', $run)->count());
        $this->problem($api()->postJson("/api/v1/runs/$run/marks", ['marks' => 'none']), 422, '/marks');
        $this->problem($api()->postJson("/api/v1/runs/$run/answers", []), 422, '/answers');
        $exported = $api()->getJson("/api/v1/runs/$run")->assertOk();
        self::assertArrayHasKey('seal', Verification::of(Node::fromJson((string) $exported->getContent())));
        $api()->getJson("/api/v1/switches/$switch->id/runs")->assertOk()->assertJsonPath('data.0.id', $run)->assertJsonPath('total', 1);
        $api()->getJson("/api/v1/switches/$switch->id/plan")->assertOk()->assertJsonStructure(['topology', 'bonding', 'names']);
        $api()->getJson("/api/v1/switches/$switch->id/logbook")->assertOk();
    }

    #[Test]
    public function a_survey_its_loads_and_a_sheet_are_written_by_a_program(): void
    {
        $user = UserFactory::make();
        $api = fn(): self => $this->bearing($this->tokenOf($user));
        $to = "/api/v1/switches/{$this->switchOf($user)->id}";
        $api()->putJson("$to/survey/service", ['answers' => ['inspection' => 'yes']])->assertOk()
            ->assertJsonPath('survey.inspection', 'yes')->assertJsonPath('survey.upstream', 'utility');
        $this->problem($api()->putJson("$to/survey/service", ['answers' => ['inspection' => 'perhaps']]), 422, '/answers/inspection');
        $this->problem($api()->putJson("$to/survey/weather", []), 404);
        $loads = [['name' => 'Well pump', 'kw' => 1.5, 'priority' => 1, 'connect' => 'L1L2', 'must_run' => true]];
        $api()->putJson("$to/loads", ['loads' => $loads])->assertOk()->assertJsonPath('loads.0.name', 'Well pump');
        $api()->getJson("$to/loads")->assertOk()->assertJsonPath('loads.0.connect', 'L1L2')->assertJsonPath('loads.0.kw', 1.5)
            ->assertJsonCount(1, 'loads');
        $this->problem($api()->putJson("$to/loads", []), 422, '/loads');
        $this->problem($api()->putJson("$to/loads", ['loads' => [['name' => 'x', 'kw' => 'much', 'priority' => 1]]]), 422, '/loads/0/kw');
        $api()->getJson("$to/loads")->assertJsonCount(1, 'loads');
        $api()->putJson("$to/loads", ['loads' => []])->assertOk()->assertJsonCount(0, 'loads');

        $sheet = json_decode((string) $api()->getJson("$to/sheets/1")->getContent());
        $new = $api()->postJson("$to/sheets", (array) $sheet)->assertCreated()->assertJsonPath('version', 2)
            ->assertJsonPath('standing', 'proposed');
        $api()->getJson((string) $new->headers->get('Location'))->assertOk();
        $sheet->settings->retransfer_delay_ms = 'soon';
        $pointer = $this->problem($api()->postJson("$to/sheets", (array) $sheet), 422)->json('errors.0.pointer');
        self::assertStringStartsWith('/settings/', $pointer);
    }

    #[Test]
    public function a_load_test_is_planned_read_and_reported_by_a_program(): void
    {
        $user = UserFactory::make();
        $switch = $this->switchOf($user);
        $switch->update(['fuel' => 'diesel', 'rated_kw' => ['diesel' => 20], 'rating_a' => 100]);
        $api = fn(): self => $this->bearing($this->tokenOf($user));
        $to = "/api/v1/switches/$switch->id/load-tests";
        $this->problem($api()->postJson($to, ['profile' => 'by feel']), 422, '/profile');
        $made = $api()->postJson($to, ['profile' => 'custom', 'steps' => '30 × 15, 50 × 15'])->assertCreated();
        $test = $made->json('id');
        $reading = ['id' => (string) Str::uuid(), 'taken_at' => now('UTC')->format('Y-m-d\TH:i:s.v\Z'), 'v' => [120, 121], 'a' => [40, 42],
            'hz' => 60.1];
        foreach ([1, 2] as $time) {
            $api()->postJson("/api/v1/load-tests/$test/readings", ['readings' => [$reading]])->assertOk()
                ->assertJsonPath('kept', [$reading['id']])->assertJsonPath('refused', []);
        }
        $this->problem($api()->postJson("/api/v1/load-tests/$test/readings", ['readings' => 'none']), 422, '/readings');
        $api()->postJson("/api/v1/load-tests/$test/readings", ['readings' => [['v' => [1]] + $reading]])->assertOk();
        $whole = $api()->getJson((string) $made->headers->get('Location'))->assertOk();
        self::assertArrayHasKey('seal', Verification::of(Node::fromJson((string) $whole->getContent())));
        $api()->getJson($to)->assertOk()->assertJsonPath('data.0.id', $test)->assertJsonPath('total', 1);
        $api()->getJson("/api/v1/load-tests/$test/report")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $run = $this->runOf($switch);
        $api()->getJson("/api/v1/runs/$run->id/report")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    }

    #[Test]
    public function a_key_makes_one_site_of_two_requests_and_refuses_another_body(): void
    {
        $user = UserFactory::make();
        $api = fn(string $key): self => $this->bearing($this->tokenOf($user))->withHeader('Idempotency-Key', $key);
        $first = $api('errand-0001')->postJson('/api/v1/sites', self::SITE)->assertCreated();
        $again = $api('errand-0001')->postJson('/api/v1/sites', self::SITE)->assertCreated()->assertHeader('Idempotent-Replay');
        self::assertSame($first->getContent(), $again->getContent());
        self::assertSame($first->headers->get('Location'), $again->headers->get('Location'));
        $this->problem($api('errand-0001')->postJson('/api/v1/sites', ['name' => 'Other'] + self::SITE), 422);
        $this->problem($api('short')->postJson('/api/v1/sites', self::SITE), 400);
        $this->problem($api('errand-0002')->postJson('/api/v1/sites', ['units' => 'ells'] + self::SITE), 422, '/units');
        $api('errand-0002')->postJson('/api/v1/sites', self::SITE)->assertCreated(); // a refusal does not use the key up
        self::assertSame(2, Site::query()->withoutGlobalScope('company')->where('company_id', $user->company_id)->count());
    }

    #[Test]
    public function a_page_has_a_size_and_what_has_not_changed_is_not_sent_again(): void
    {
        $user = UserFactory::make();
        foreach (range(1, 3) as $i) {
            Site::query()->create(['company_id' => $user->company_id, 'name' => "Row $i"] + self::SITE);
        }
        $api = fn(): self => $this->bearing($this->tokenOf($user));
        $page = $api()->getJson('/api/v1/sites?per_page=2&page=2')->assertOk()->assertJsonPath('total', 3)->assertJsonPath('pages', 2);
        self::assertSame(['Row 3'], array_column((array) $page->json('data'), 'name'));
        $this->problem($api()->getJson('/api/v1/sites?per_page=100000'), 422, '/per_page');
        $tag = (string) $page->headers->get('ETag');
        $api()->withHeader('If-None-Match', $tag)->getJson('/api/v1/sites?per_page=2&page=2')->assertStatus(304);
        Site::query()->withoutGlobalScope('company')->where('name', 'Row 3')->update(['name' => 'Row three']);
        $api()->withHeader('If-None-Match', $tag)->getJson('/api/v1/sites?per_page=2&page=2')->assertOk();
    }

    #[Test]
    public function every_route_asks_who_comes_and_shows_nothing_of_another_company(): void
    {
        $owner = $this->signIn();
        $switch = $this->switchOf($owner);
        $ids = ['site' => $switch->site_id, 'switch' => $switch->id, 'run' => $this->runOf($switch)->id, 'version' => 1,
            'name' => 'demand', 'subject' => 'service', 'test' => $this->loadTestOf($owner, $switch)->id];
        $guest = UserFactory::make(Role::Guest, $owner->company_id);
        $guest->update(['guest_until' => now()->addDay()]);
        $strangers = [$this->tokenOf(UserFactory::make(Role::Lead)), $this->tokenOf($guest)];
        $viewer = $this->tokenOf(UserFactory::make(Role::Viewer, $owner->company_id));
        $walked = 0;
        foreach ($this->routes() as [$method, $uri]) {
            $path = '/' . preg_replace_callback('/\{(\w+)\}/', static fn(array $part): string => (string) $ids[$part[1]], $uri);
            if (str_ends_with($path, 'openapi.json')) {
                continue;
            }
            $this->app['auth']->forgetGuards();
            $this->problem($this->flushHeaders()->json($method, $path), 401);
            foreach (array_filter($strangers, static fn(): bool => preg_match('/\{(site|switch|run|test)\}/', $uri) === 1) as $token) {
                $answer = $this->bearing($token)->json($method, $path, ['hazards_read' => true]);
                self::assertStringNotContainsString('Fern Hill 3', (string) $answer->getContent());
                $this->problem($answer, 404);
                $walked++;
            }
            $seen = $this->bearing($viewer)->json($method, $path, ['hazards_read' => true]);
            if (in_array($method, ['POST', 'PUT'], true) && ! str_contains($uri, 'calc/')) {
                $this->problem($seen, 403);
            } else {
                self::assertContains($seen->getStatusCode(), [200, 422], $path);
            }
        }
        self::assertGreaterThan(15, $walked);
        self::assertSame(1, Run::query()->withoutGlobalScope('company')->where('company_id', $owner->company_id)->count());
    }

    /** @return iterable<string, array{list<string>, Role, string, string, int}> */
    public static function doors(): iterable
    {
        yield 'reading does not write' => [['read'], Role::Lead, 'POST', '/sites', 403];
        yield 'reading does not calculate' => [['read'], Role::Lead, 'POST', '/calc/demand', 403];
        yield 'calculating reads nothing' => [['calc'], Role::Lead, 'GET', '/sites', 403];
        yield 'a viewer writes nothing, whatever the token says' => [['read', 'write'], Role::Viewer, 'POST', '/sites', 403];
        yield 'an apprentice begins no site' => [['write'], Role::Apprentice, 'POST', '/sites', 403];
        yield 'no such calculation' => [['calc'], Role::Viewer, 'POST', '/calc/horoscope', 404];
        yield 'a season is for the queue' => [['calc'], Role::Viewer, 'POST', '/calc/settings_compare', 404];
        yield 'bad input of a calculation' => [['calc'], Role::Viewer, 'POST', '/calc/torque', 422];
        yield 'no such place' => [['read'], Role::Lead, 'GET', '/nowhere', 404];
        yield 'not with this method' => [['read'], Role::Lead, 'DELETE', '/sites', 405];
    }

    /** @param list<string> $scopes */
    #[Test]
    #[DataProvider('doors')]
    public function a_token_opens_its_scopes_within_the_role(array $scopes, Role $role, string $method, string $path, int $status): void
    {
        $token = $this->tokenOf(UserFactory::make($role), $scopes);
        $this->problem($this->bearing($token)->json($method, "/api/v1$path", ['any' => 1]), $status);
    }

    #[Test]
    public function a_token_ends_with_its_day_its_person_and_their_password(): void
    {
        $user = UserFactory::make();
        $token = $this->tokenOf($user);
        $this->bearing($token)->getJson('/api/v1/sites')->assertOk();
        $user->update(['left_at' => now()]);
        $this->problem($this->bearing($token)->getJson('/api/v1/sites'), 401);
        $user->update(['left_at' => null]);
        $this->travel(31)->days();
        $this->problem($this->bearing($token)->getJson('/api/v1/sites'), 401);
        $this->travelBack();
        $user->endSessions();
        $this->problem($this->bearing($token)->getJson('/api/v1/sites'), 401);
        $this->problem($this->bearing('1|guess')->getJson('/api/v1/sites'), 401);
    }

    #[Test]
    public function a_session_is_no_token_and_a_token_no_session(): void
    {
        $user = $this->signIn();
        $this->problem($this->getJson('/api/v1/sites'), 401);
        $this->app['auth']->forgetGuards();
        $this->bearing($this->tokenOf($user))->get('/sites/new')->assertRedirect('/login');
    }

    #[Test]
    public function what_is_no_json_is_said_to_be_none(): void
    {
        $server = ['HTTP_AUTHORIZATION' => 'Bearer ' . $this->tokenOf(UserFactory::make())];
        $this->problem($this->call('POST', '/api/v1/sites', self::SITE, server: $server), 415);
        $json = $server + ['CONTENT_TYPE' => 'application/json'];
        $this->problem($this->call('POST', '/api/v1/calc/torque', server: $json, content: '{"a":'), 400);
        $this->problem($this->call('POST', '/api/v1/calc/torque', server: $json, content: '{}'), 422);
    }

    #[Test]
    public function too_many_in_a_minute_are_told_to_wait(): void
    {
        $token = $this->tokenOf(UserFactory::make());
        foreach (range(1, 120) as $i) {
            $this->bearing($token)->getJson('/api/v1/sites?per_page=0');
        }
        $this->problem($this->bearing($token)->getJson('/api/v1/sites'), 429)->assertHeader('Retry-After');
    }

    #[Test]
    public function the_description_has_every_route_and_no_other_and_points_nowhere_else(): void
    {
        $document = $this->getJson('/api/v1/openapi.json')->assertOk()->json();
        $described = [];
        foreach ($document['paths'] as $path => $operations) {
            foreach (array_keys($operations) as $method) {
                $described[] = strtoupper($method) . ' ' . preg_replace('#^/calc/\w+$#', '/calc/{name}', $path);
            }
        }
        $there = array_map(static fn(array $one): string => $one[0] . ' /' . Str::after($one[1], 'api/v1/'), $this->routes());
        self::assertEqualsCanonicalizing($there, array_values(array_unique($described)));
        preg_match_all('/"\$ref":"#([^"]+)"/', (string) json_encode($document, JSON_UNESCAPED_SLASHES), $pointers);
        self::assertGreaterThan(200, count($pointers[1]));
        foreach (array_unique($pointers[1]) as $pointer) {
            $at = $document;
            foreach (array_slice(explode('/', $pointer), 1) as $step) {
                $at = $at[$step] ?? self::fail("nothing is at $pointer");
            }
        }
    }

    private function loadTestOf(User $user, TransferSwitch $switch): LoadTest
    {
        return LoadTest::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'profile' => 'custom', 'plan' => [],
            'top_pct' => 50,
        ]);
    }

    /** @return list<array{string, string}> method and address of every route of the API */
    private function routes(): array
    {
        $routes = [];
        foreach ($this->app['router']->getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/')) {
                $routes[] = [$route->methods()[0], $route->uri()];
            }
        }

        return $routes;
    }

    /** @param list<string> $scopes */
    private function tokenOf(User $user, array $scopes = ['read', 'write', 'calc']): string
    {
        self::assertSame($scopes, array_map(static fn(string $one): string => Scope::from($one)->value, $scopes));

        return $user->createToken('test', $scopes, now()->addDays(30))->plainTextToken;
    }

    private function bearing(string $token): self
    {
        $this->app['auth']->forgetGuards();
        $this->flushHeaders();

        return $this->withToken($token);
    }

    /**
     * @param TestResponse<Response> $answer
     *
     * @return TestResponse<Response>
     */
    private function problem(TestResponse $answer, int $status, ?string $pointer = null): TestResponse
    {
        $answer->assertStatus($status)->assertHeader('Content-Type', 'application/problem+json')->assertJsonPath('status', $status);
        if ($pointer !== null) {
            self::assertContains($pointer, array_column((array) $answer->json('errors'), 'pointer'));
        }

        return $answer;
    }
}
