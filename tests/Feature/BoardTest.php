<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\FreshenStatuses;
use App\Models\LoadItem;
use App\Models\Role;
use App\Models\Site;
use App\Models\StatusChange;
use App\Models\SwitchStatus;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\Visit;
use App\Stage\Board\StatusBook;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The board reads what was worked out when something changed, and it is never older than the last change. */
final class BoardTest extends TestCase
{
    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test]
    public function a_change_is_on_the_board_at_once_and_nothing_is_worked_out_twice(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->get('/')->assertOk()->assertSee('nothing is proved yet');
        $made = SwitchStatus::query()->sole();
        self::assertSame(0, StatusChange::query()->count());
        $this->get('/')->assertOk();
        self::assertSame($made->id, SwitchStatus::query()->sole()->id, 'it was kept');
        $switch->site->update(['name' => 'Larch Bank']);
        $this->get('/')->assertSee('Larch Bank')->assertDontSee('Fern Hill 3');
        TransferSwitch::query()->create(['name' => 'Q2', 'rated_kw' => []] + $switch->only(
            ['company_id', 'site_id', 'application', 'plant', 'survey'],
        ));
        $this->get('/')->assertSee('Larch Bank, Q1')->assertSee('Larch Bank, Q2');
        self::assertSame(2, SwitchStatus::query()->count());
    }

    #[Test]
    public function writes_past_the_models_say_so(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        LoadItem::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'place' => 0, 'name' => 'Heater', 'kw' => 5, 'priority' => 2,
        ]);
        $this->get('/')->assertOk();
        $this->put("/switches/$switch->id/loads", ['loads' => [], 'sure' => '1'])->assertRedirect();
        self::assertSame(0, $switch->loads()->count());
        self::assertNotSame(0, StatusChange::query()->count());
    }

    #[Test]
    public function a_status_that_was_overtaken_is_not_kept(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->get('/')->assertOk();
        $book = new StatusBook(Carbon::now());
        $overtaken = false;
        DB::listen(static function ($query) use (&$overtaken, $switch): void {
            if (! $overtaken && str_contains($query->sql, 'from `part_proofs`')) { // between reading and keeping
                $overtaken = true;
                $switch->site->update(['name' => 'Larch Bank']);
                (new StatusBook(Carbon::now()))->keep($switch->site_id);
            }
        });
        $book->keep($switch->site_id);
        self::assertTrue($overtaken);
        self::assertSame('Larch Bank', SwitchStatus::query()->sole()->name);
    }

    #[Test]
    public function what_takes_too_long_goes_into_the_queue_and_is_said(): void
    {
        $user = $this->signIn();
        for ($i = 0; $i < 60; $i++) {
            $this->switchOf($user);
        }
        Queue::fake();
        $this->get('/')->assertOk()->assertSee('are still being worked out');
        Queue::assertPushed(FreshenStatuses::class, 1);
        (new FreshenStatuses($user->company_id))->handle();
        self::assertSame($user->id, Auth::id(), 'whoever was signed in still is');
        $this->get('/')->assertOk()->assertDontSee('are still being worked out')->assertSee('1 to 25 of 60');
        $this->get('/?page=3')->assertSee('51 to 60 of 60');
        $this->get('/?page=99')->assertOk();
        $queries = 0;
        DB::listen(static function () use (&$queries): void {
            $queries++;
        });
        $this->get('/')->assertOk();
        self::assertLessThan(12, $queries, 'however many sites there are');
    }

    #[Test]
    public function it_is_narrowed_sorted_kept_and_exported(): void
    {
        $user = $this->signIn(Role::Lead);
        Carbon::setTestNow('2026-11-27 10:00:00');
        $late = $this->switchOf($user);
        $late->site->update(['name' => 'Late House', 'address' => '7 Weir Lane']);
        $early = $this->switchOf($user);
        $early->site->update(['name' => 'Early House']);
        $this->get('/')->assertOk();
        SwitchStatus::query()->where('switch_id', $late->id)->update(['next_test_on' => '2026-11-01', 'asks_tests' => true, 'rank' => 0]);
        SwitchStatus::query()->where('switch_id', $early->id)->update([
            'next_test_on' => '2026-12-24', 'asks_tests' => true, 'is_proven' => true, 'last_test_on' => '2026-09-24',
        ]);
        $names = fn(string $query): array => $this->names((string) $this->get("/?$query")->assertOk()->getContent());
        self::assertSame(['Late House'], $names('show=late'));
        self::assertSame(['Early House'], $names('show=soon'));
        self::assertSame(['Late House'], $names('show=open'));
        self::assertSame(['Late House'], $names('show=stop'));
        self::assertSame(['Late House'], $names('show=never'));
        self::assertSame(['Early House', 'Late House'], $names('sort=name'));
        self::assertSame(['Late House', 'Early House'], $names('sort=need'));
        self::assertSame(['Late House'], $names('q=Weir'));
        self::assertSame(['Late House', 'Early House'], $names('show=nonsense&sort[]=x'));
        $this->get('/')->assertSee('1 load test is late or was never done.');
        $this->get('/?show=late')->assertSee('26 days late')->assertSee('the load test is 26 days late', false);
        $csv = (string) $this->get('/board.csv?show=late')->assertOk()->getContent();
        self::assertStringContainsString('Late House', $csv);
        self::assertStringNotContainsString('Early House', $csv);
        SwitchStatus::query()->where('switch_id', $early->id)->update(['next_test_on' => null, 'last_test_on' => null, 'rank' => 2]);
        self::assertSame(['Early House', 'Late House'], $names('show=late&sort=name'), 'what was never done is due now');
        self::assertSame(['Early House', 'Late House'], $names('show=needs&sort=name'), 'a note is a need too');
        $this->get('/')->assertSee('2 load tests are late or were never done.');

        $this->post('/board/views', ['name' => '', 'show' => 'late'])->assertSessionHasErrors('name');
        $this->post('/board/views', ['name' => 'My late ones', 'show' => 'late'])->assertRedirect('/?show=late');
        $this->post('/board/views', ['name' => 'My late ones', 'show' => 'late', 'sort' => 'test'])->assertSessionHasNoErrors();
        self::assertCount(1, $user->refresh()->boardViews());
        $this->get('/')->assertSee('My late ones')->assertSee('?show=late&amp;sort=test', false);
        $this->delete('/board/views', ['name' => 'My late ones'])->assertRedirect('/');
        self::assertSame([], $user->refresh()->boardViews());
    }

    #[Test]
    public function the_day_of_a_person_stands_beside_it(): void
    {
        $user = $this->signIn();
        Carbon::setTestNow('2026-11-27 15:30:00');
        $switch = $this->switchOf($user);
        $this->get('/')->assertDontSee('Your visits');
        Visit::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'items' => ['oil_filter'], 'duration_min' => 60, 'skills' => [],
            'priority' => 3, 'from' => '08:00', 'to' => '17:00', 'placed_user_id' => $user->id, 'placed_on' => '2026-11-27',
            'begin_min' => 780, 'end_min' => 840,
        ]);
        $this->get('/')->assertSee('Your visits')->assertSee('13:00 Fern Hill 3')->assertSee('10:30')
            ->assertSee('/my-day?on=2026-11-27', false);
        Carbon::setTestNow('2026-11-28 02:00:00');
        $this->get('/')->assertSee('Your visits'); // still the 27th in New York
        Visit::query()->update(['placed_on' => '2026-11-28']);
        $this->get('/')->assertDontSee('Your visits');
    }

    #[Test]
    public function the_storm_season_is_hatched_once_it_is_entered(): void
    {
        $user = $this->signIn(Role::Lead);
        $this->switchOf($user, InstallationKind::WholeHouse);
        $this->get('/')->assertDontSee('p-storm)');
        $this->put('/fleet/season', ['storm_from' => '12', 'storm_to' => ''])->assertSessionHasErrors('storm_to');
        $this->put('/fleet/season', ['storm_from' => '12', 'storm_to' => '3'])->assertSessionHasNoErrors();
        $this->get('/')->assertSee('url(#p-storm)', false)->assertSee('storm season');
        $this->put('/fleet/season', ['storm_from' => '', 'storm_to' => ''])->assertSessionHasNoErrors();
        $this->get('/')->assertDontSee('url(#p-storm)', false)->assertDontSee('</svg>storm season', false);
    }

    #[Test]
    public function a_company_sees_its_own_statuses_only(): void
    {
        $this->switchOf($this->signIn());
        $this->get('/')->assertSee('Fern Hill 3');
        $this->signIn();
        $this->get('/')->assertDontSee('Fern Hill 3')->assertSee('No site yet');
        self::assertStringNotContainsString('Fern Hill 3', (string) $this->get('/board.csv')->getContent());
        self::assertSame(0, SwitchStatus::query()->count());
        self::assertSame(1, Site::query()->withoutGlobalScope('company')->count());
        self::assertSame(2, User::query()->count());
    }

    /** @return list<string> of the table, in its order */
    private function names(string $html): array
    {
        $table = substr($html, (int) strpos($html, '<table class="ruled sites">'));
        preg_match_all('#<b>(\w+ House)</b>#', $table, $found);

        return $found[1];
    }
}
