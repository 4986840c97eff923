<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Absence;
use App\Models\Role;
use App\Models\SeasonState;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitPlanning;
use App\Models\WorkProfile;
use Database\Factories\UserFactory;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** Visits planned over people and days, moved by hand, and made. */
final class VisitsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-11-27 15:00:00'); // a Friday
    }

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test]
    public function what_is_due_is_collected_once_planned_and_placed(): void
    {
        $user = $this->worker();
        $switch = $this->place($user);
        Upkeep::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'installed_on' => '2023-01-01',
            'cooling' => 'air',
        ]);
        $unknown = $this->place($user);
        foreach ([1, 2] as $ignored) {
            $this->post('/visits/collect')->assertRedirect()->assertSessionHas(
                'said',
                static fn(string $said): bool => str_contains($said, 'Of 1 sites it is not known'),
            );
        }
        self::assertSame(2, Visit::query()->count(), 'more than fits into a day');
        self::assertSame([], array_filter(Visit::query()->get()->all(), static fn(Visit $one): bool => $one->duration_min > 360));
        $visit = Visit::query()->where('items', 'like', '%battery_test%')->sole();
        self::assertSame($switch->id, $visit->switch_id);
        $this->get('/visits')->assertOk()->assertSee('waits for the next plan');
        $this->post('/visits/plan', ['start' => '2026-11-20', 'days' => '10'])->assertSessionHasErrors('start');
        $this->post('/visits/plan', ['start' => '2026-11-27', 'days' => '10'])->assertSessionHasNoErrors();
        $visit->refresh();
        self::assertSame([$user->id, null], [$visit->placed_user_id, $visit->unplaced_why]);
        self::assertSame(2, Visit::query()->distinct()->count('placed_on'), 'one a day');
        self::assertSame(SeasonState::Done, VisitPlanning::query()->sole()->state);
        $this->get('/visits')->assertOk()->assertSee('Proven: none is better')->assertSee("data-visit=\"$visit->id\"", false);
        self::assertNotSame($unknown->id, $visit->switch_id);
    }

    #[Test]
    public function what_is_long_overdue_is_not_left_out_for_being_late(): void
    {
        $user = $this->worker();
        $visit = $this->visit($this->place($user), ['due' => '2025-06-01', 'priority' => 1]);
        $this->post('/visits/plan', ['start' => '2026-11-27', 'days' => '5']);
        self::assertSame('2026-11-27', $visit->refresh()->placed_on?->format('Y-m-d'));
    }

    /** @param array<string, mixed> $columns */
    #[Test, DataProvider('impossible')]
    public function what_cannot_be_placed_says_why(array $columns, string $why, string $told): void
    {
        $user = $this->worker();
        $visit = $this->visit($this->place($user), $columns);
        $this->post('/visits/plan', ['start' => '2026-11-27', 'days' => '3']);
        self::assertSame($why, $visit->refresh()->unplaced_why);
        $this->get('/visits')->assertSee($told);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function impossible(): iterable
    {
        yield 'nobody can do it' => [['skills' => ['gas']], 'no-skill', 'Nobody has the skill'];
        yield 'a weekend only' => [['earliest' => '2026-11-28', 'latest' => '2026-11-29'], 'no-day', 'No day fits'];
        yield 'longer than a day' => [['duration_min' => 600], 'too-long', 'Too long for one day'];
    }

    #[Test]
    public function a_place_that_nobody_entered_is_asked_for_and_nothing_is_proposed(): void
    {
        $user = $this->worker();
        $switch = $this->switchOf($user);
        $this->visit($switch, []);
        $this->post('/visits/plan', ['start' => '2026-11-27', 'days' => '5']);
        $this->get('/visits')->assertSee('Its place is not known')->assertSee('not placed');
    }

    /** @param array{person?: int, on?: string} $to */
    #[Test, DataProvider('moves')]
    public function a_visit_moves_where_it_can_stand_and_stays_where_it_cannot(string $on, ?string $told): void
    {
        $user = $this->worker(['days' => ['mon', 'tue', 'wed', 'fri']]);
        $visit = $this->visit($this->place($user), ['earliest' => '2026-11-30', 'latest' => '2026-12-04', 'duration_min' => 100]);
        Absence::query()->create([
            'company_id' => $user->company_id, 'user_id' => $user->id, 'from' => '2026-12-01', 'to' => '2026-12-01', 'words' => 'course',
        ]);
        $this->post('/visits/plan', ['start' => '2026-11-27', 'days' => '9']);
        self::assertSame('2026-11-30', $visit->refresh()->placed_on?->format('Y-m-d'));
        $answer = $this->putJson("/visits/$visit->id", ['person' => $user->id, 'on' => $on]);
        if ($told !== null) {
            $answer->assertUnprocessable();
            self::assertStringContainsString($told, (string) $answer->json('message'));
            self::assertFalse($visit->refresh()->isLocked());

            return;
        }
        $answer->assertOk();
        self::assertSame([$on, true], [$visit->refresh()->placed_on?->format('Y-m-d'), $visit->isLocked()]);
        self::assertSame(2, $visit->sequence, 'placed, then moved');
        $this->put("/visits/$visit->id")->assertRedirect('/visits');
        self::assertSame(['2026-11-30', false], [$visit->refresh()->placed_on?->format('Y-m-d'), $visit->isLocked()]);
    }

    /** @return iterable<string, array{string, ?string}> */
    public static function moves(): iterable
    {
        yield 'another day' => ['2026-12-02', null];
        yield 'an absence' => ['2026-12-01', 'away on that day'];
        yield 'a day off' => ['2026-12-03', 'does not work on that day'];
        yield 'too early' => ['2026-11-27', 'before its first day'];
        yield 'too late' => ['2026-12-05', 'does not work on that day'];
        yield 'beyond the plan' => ['2026-12-30', 'outside of the plan'];
    }

    #[Test]
    public function a_day_is_read_on_the_phone_printed_and_done(): void
    {
        $user = $this->worker();
        $switch = $this->place($user);
        $visit = $this->visit($switch, ['items' => ['Look at the starter'], 'note' => 'Dog in the yard']);
        $this->post('/visits/plan', ['start' => '2026-11-27', 'days' => '3']);
        $this->get('/my-day?on=2026-11-27')->assertOk()->assertSee('Look at the starter')->assertSee('Dog in the yard')
            ->assertSeeText('both sources isolated, locked out and proved dead');
        $this->get('/my-day?on=2026-11-26')->assertOk()->assertSee('Nothing is planned')->assertSee('Fri 27 Nov');
        $this->get('/my-day?on=nonsense')->assertOk();
        $this->get("/visits/$user->id/2026-11-27.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $this->get("/visits/$user->id/2026-11-26.pdf")->assertNotFound();
        $stranger = UserFactory::make(Role::Technician);
        $this->get("/visits/$stranger->id/2026-11-27.pdf")->assertNotFound();
        $this->post("/visits/$visit->id/done")->assertRedirect("/switches/$switch->id/logbook?kind=service");
        $this->post("/visits/$visit->id/done")->assertRedirect();
        self::assertSame('2026-11-27 15:00', $visit->refresh()->done_at?->format('Y-m-d H:i'));
        $this->putJson("/visits/$visit->id", ['person' => $user->id, 'on' => '2026-11-27'])->assertUnprocessable();
    }

    #[Test]
    public function before_a_storm_the_least_work_on_the_neediest_sites_becomes_visits_once(): void
    {
        $user = $this->worker();
        $first = $this->place($user);
        $this->place($user);
        Upkeep::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $first->id, 'user_id' => $user->id, 'selector' => 'off', 'priority' => 5,
        ]);
        $this->get('/fleet')->assertOk()->assertSee('A storm is coming');
        $this->post('/fleet/visits', ['days' => '0', 'count' => '4'])->assertSessionHasErrors('days');
        foreach ([1, 2] as $ignored) {
            $this->post('/fleet/visits', ['days' => '5', 'count' => '1'])->assertRedirect('/visits');
        }
        $visit = Visit::query()->sole();
        self::assertSame([$first->id, 5, '2026-12-02'], [$visit->switch_id, $visit->priority, $visit->latest?->format('Y-m-d')]);
        self::assertStringContainsString('leave the selector at auto', $visit->items[0]);
        $csv = (string) $this->get('/fleet.csv')->assertOk()->getContent();
        self::assertSame(3, substr_count($csv, "\n"));
        self::assertStringContainsString('not ready', explode("\n", $csv)[1]);
    }

    /** @param array<string, string> $typed */
    #[Test, DataProvider('faults')]
    public function a_visit_that_cannot_be_is_refused_at_its_field(array $typed, string $field): void
    {
        $user = $this->worker();
        $good = ['switch' => (string) $this->place($user)->id, 'what' => 'Look', 'duration_min' => '60', 'priority' => '3'];
        $this->post('/visits', $typed + $good)->assertSessionHasErrors($field);
        self::assertSame(0, Visit::query()->count());
        $this->post('/visits', $good)->assertSessionHasNoErrors();
        self::assertSame(['Look'], Visit::query()->sole()->items);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function faults(): iterable
    {
        yield 'no such site' => [['switch' => '99999'], 'switch'];
        yield 'nothing to do' => [['what' => ''], 'what'];
        yield 'a whole week' => [['duration_min' => '5000'], 'duration_min'];
        yield 'urgency of ten' => [['priority' => '10'], 'priority'];
        yield 'days reversed' => [['earliest' => '2026-12-02', 'latest' => '2026-12-01'], 'latest'];
        yield 'hours reversed' => [['from' => '14:00', 'to' => '12:00'], 'to'];
    }

    /** @param array<string, mixed> $more */
    private function worker(array $more = []): User
    {
        $user = $this->signIn();
        WorkProfile::query()->create($more + [
            'company_id' => $user->company_id, 'user_id' => $user->id, 'lat' => 44, 'lon' => -68,
            'days' => ['mon', 'tue', 'wed', 'thu', 'fri'],
            'from' => '08:00', 'to' => '17:00', 'skills' => ['electric', 'engine'],
        ]);

        return $user;
    }

    private function place(User $user): TransferSwitch
    {
        $switch = $this->switchOf($user);
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $switch->site->update(['lat' => 44.1, 'lon' => -68.1]);

        return $switch;
    }

    /** @param array<string, mixed> $columns */
    private function visit(TransferSwitch $switch, array $columns): Visit
    {
        return Visit::query()->create($columns + [
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'items' => ['switch_inspection'], 'duration_min' => 60,
            'skills' => ['electric'],
        ])->refresh();
    }
}
