<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Bridge\ExerciseFacts;
use App\Models\Absence;
use App\Models\Feed;
use App\Models\Role;
use App\Models\Sheet;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use App\Models\Visit;
use App\Models\WorkProfile;
use Database\Factories\UserFactory;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Sabre\VObject\Reader;
use Tests\TestCase;

/** The exercises of all sites, what clashes, who is away, and the calendars that others read. */
final class CalendarTest extends TestCase
{
    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    /** @param array<string, mixed> $exercise */
    #[Test, DataProvider('days')]
    public function a_set_starts_on_the_day_of_its_sheet_on_every_page(array $exercise, string $told, string $utc): void
    {
        Carbon::setTestNow('2026-11-27 15:00:00');
        $switch = $this->exercising($this->signIn(), $exercise);
        $this->get("/switches/$switch->id/schedule")->assertOk()->assertSee($told);
        $this->get('/calendar?view=month&on=2026-12-01')->assertOk()->assertSee('Fern Hill 3');
        $calendar = Reader::read((string) $this->get("/switches/$switch->id/schedule.ics")->getContent());
        self::assertSame($utc, gmdate('Ymd\THis\Z', $calendar->VEVENT[0]->DTSTART->getDateTime()->getTimestamp()));
        self::assertSame('America/New_York', (string) $calendar->VEVENT[0]->DTSTART['TZID']);
        self::assertSame('America/New_York', (string) $calendar->VTIMEZONE->TZID);
        self::assertNotEmpty($calendar->VTIMEZONE->select('DAYLIGHT'));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function days(): iterable
    {
        yield 'Tuesday' => [['day' => 'tue'], 'Tue 1 Dec 2026, 12:00', '20261201T170000Z'];
        yield 'Monday' => [['day' => 'mon'], 'Mon 30 Nov 2026, 12:00', '20261130T170000Z'];
        yield 'Sunday' => [['day' => 'sun'], 'Sun 29 Nov 2026, 12:00', '20261129T170000Z'];
    }

    #[Test]
    public function two_that_need_one_person_clash_and_one_press_proposes_the_free_time(): void
    {
        Carbon::setTestNow('2026-11-27 15:00:00');
        $user = $this->signIn();
        $first = $this->exercising($user, ['day' => 'tue']);
        $second = $this->exercising($user, ['day' => 'tue', 'time' => '12:05']);
        $this->get('/calendar?on=2026-12-01')->assertSee('Not known: no site has');
        WorkProfile::query()->create($this->hours($user));
        foreach ([$first, $second] as $switch) {
            Upkeep::query()->create([
                'company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'attends_user_id' => $user->id,
            ]);
        }
        $this->get('/calendar?on=2026-12-01')->assertOk()->assertSee('The same person is needed twice')
            ->assertSee('Propose it on the sheet');
        $version = (int) $second->sheet()->firstOrFail()->version;
        $this->post(
            "/switches/$second->id/shift",
            ['minutes' => 45, 'seen_version' => $version - 1, 'view' => 'week', 'on' => '2026-12-01'],
        )
            ->assertRedirect('/calendar?view=week&on=2026-12-01');
        self::assertSame($version, (int) $second->sheet()->firstOrFail()->version, 'somebody else wrote in between');
        $this->post("/switches/$second->id/shift", ['minutes' => 45, 'seen_version' => $version])->assertSessionHasNoErrors();
        $sheet = $second->sheet()->firstOrFail();
        self::assertSame(['12:50', 'tue', 'proposed'], [
            $sheet->habits['exercise']['time'], $sheet->habits['exercise']['day'], $sheet->standing->value,
        ]);
        $this->get('/calendar?on=2026-12-01')->assertSee('None in these days');
    }

    #[Test]
    public function a_shift_over_midnight_takes_the_weekday_with_it(): void
    {
        $switch = $this->exercising($this->signIn(), ['day' => 'sun', 'time' => '23:30']);
        $this->post("/switches/$switch->id/shift", ['minutes' => 60, 'seen_version' => $switch->sheet()->firstOrFail()->version]);
        $fresh = TransferSwitch::query()->with('sheet')->findOrFail($switch->id);
        $habit = ExerciseFacts::habit($fresh);
        self::assertSame([0, 30], [$habit?->day, $habit?->minute]);
    }

    #[Test]
    public function sleep_work_and_neighbors_are_judged_where_they_are_known(): void
    {
        Carbon::setTestNow('2026-11-27 15:00:00');
        $user = $this->signIn();
        $switch = $this->exercising($user, ['day' => 'wed', 'time' => '06:30', 'with_load' => true]);
        $page = "/switches/$switch->id/upkeep";
        $known = ['school' => 'quarterly', 'priority' => 3];
        $this->put($page, $known + ['sleep_from' => '22:00'])->assertSessionHasErrors('sleep_to');
        $this->put($page, $known + ['lat' => '91', 'lon' => '5'])->assertSessionHasErrors('lat');
        $this->put($page, $known + ['attends_user_id' => UserFactory::make(Role::Lead)->id])->assertSessionHasErrors('attends_user_id');
        $this->put($page, $known + [
            'sleep_from' => '22:00', 'sleep_to' => '07:00', 'business_from' => '06:00', 'business_to' => '18:00', 'lat' => '44.5',
            'lon' => '-68',
        ])->assertSessionHasNoErrors();
        self::assertSame(44.5, $switch->site->refresh()->lat);
        $this->get('/calendar?on=2026-12-02&view=day')->assertSee('People sleep; load moves during work');
    }

    #[Test]
    public function a_calendar_is_read_by_its_token_until_it_is_ended_and_has_only_what_it_is_for(): void
    {
        Carbon::setTestNow('2026-11-27 15:00:00');
        $user = $this->signIn();
        $switch = $this->exercising($user, ['day' => 'tue']);
        $visit = Visit::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'items' => ['battery_test'], 'duration_min' => 60,
            'skills' => [],
            'placed_user_id' => $user->id, 'placed_on' => '2026-11-30', 'arrive_min' => 500, 'begin_min' => 510, 'end_min' => 570,
            'sequence' => 3,
        ]);
        $this->post('/feeds', ['feed' => 'site:999'])->assertSessionHasErrors('feed');
        $this->post('/feeds', ['feed' => 'everything'])->assertSessionHasErrors('feed');
        $addresses = [];
        foreach (['company', 'me', "site:$switch->site_id"] as $of) {
            $addresses[$of] = (string) $this->post('/feeds', ['feed' => $of])->assertSessionHasNoErrors()->baseResponse
                ->getSession()?->get('feed');
        }
        self::assertSame(3, Feed::query()->count());
        self::assertStringNotContainsString((string) strrchr($addresses['me'], '/'), (string) Feed::query()->get()->toJson());
        $this->app['auth']->forgetGuards();
        $company = Reader::read((string) $this->get($addresses['company'])->assertOk()->getContent());
        $uids = array_map(static fn($event): string => (string) $event->UID, $company->select('VEVENT'));
        self::assertContains("visit-$visit->id@escapement.example", $uids);
        self::assertGreaterThan(10, count($uids));
        self::assertSame($uids, array_unique($uids));
        $mine = Reader::read((string) $this->get($addresses['me'])->getContent());
        self::assertCount(1, $mine->select('VEVENT'));
        self::assertSame(['3', '20261130T083000'], [(string) $mine->VEVENT->SEQUENCE, (string) $mine->VEVENT->DTSTART]);
        $site = (string) $this->get($addresses["site:$switch->site_id"])->getContent();
        self::assertStringNotContainsString('visit-', $site);
        $this->get('/feed/' . str_repeat('a', 40) . '.ics')->assertNotFound();
        $user->update(['left_at' => now()]);
        $this->get($addresses['me'])->assertNotFound();
        $user->update(['left_at' => null]);
        $this->actingAs($user);
        $this->delete('/feeds/' . Feed::query()->where('scope', 'company')->firstOrFail()->id)->assertRedirect();
        $this->get($addresses['company'])->assertNotFound();
    }

    #[Test]
    public function absences_are_imported_once_and_what_is_no_calendar_is_refused(): void
    {
        Carbon::setTestNow('2026-11-27 15:00:00');
        $user = $this->signIn();
        $ics = static fn(string $events): UploadedFile => UploadedFile::fake()->createWithContent(
            'away.ics',
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\n{$events}END:VCALENDAR\r\n",
        );
        $event = "BEGIN:VEVENT\r\nUID:a1\r\nDTSTAMP:20261101T000000Z\r\nDTSTART;VALUE=DATE:20261207\r\nDTEND;VALUE=DATE:20261210\r\n"
            . "SUMMARY:%s\r\n%sEND:VEVENT\r\n";
        foreach (['Ski', 'Skiing'] as $words) {
            $this->post('/absences/import', ['ics' => $ics(sprintf($event, $words, '')), 'who' => $user->id])->assertSessionHasNoErrors();
        }
        $absence = Absence::query()->sole();
        self::assertSame(['2026-12-07', '2026-12-09', 'Skiing'], [
            $absence->from->format('Y-m-d'), $absence->to->format('Y-m-d'), $absence->words,
        ]);
        $this->post('/absences/import', ['ics' => $ics(sprintf($event, 'Weekly', "RRULE:FREQ=WEEKLY;COUNT=3\r\n"))])
            ->assertSessionHasNoErrors();
        self::assertSame(4, Absence::query()->count());
        $this->post('/absences/import', ['ics' => UploadedFile::fake()->createWithContent('a.ics', 'words')])
            ->assertSessionHasErrors('ics');
        $this->post('/absences/import', ['ics' => $ics(sprintf($event, 'Nonsense', "RRULE:FREQ=SOMETIMES\r\n"))])
            ->assertSessionHasErrors('ics');
        $this->post('/absences/import', ['ics' => $ics(sprintf($event, 'Daily', "RRULE:FREQ=HOURLY\r\n"))])->assertSessionHasErrors('ics');
        self::assertSame(4, Absence::query()->count());
        $this->post('/absences', ['away_from' => '2026-12-20', 'away_to' => '2026-12-18', 'words' => 'x'])
            ->assertSessionHasErrors('away_to');
        $this->get('/calendar')->assertSee('Skiing');
        $this->delete("/absences/$absence->id")->assertRedirect();
        $this->get('/calendar')->assertDontSee('Skiing');
    }

    #[Test]
    public function hours_are_changed_by_oneself_and_by_a_lead(): void
    {
        $technician = $this->signIn();
        $lead = UserFactory::make(Role::Lead, $technician->company_id);
        $hours = ['lat' => '44', 'lon' => '-68', 'days' => ['mon'], 'from' => '08:00', 'to' => '17:00', 'skills' => 'Engine, engine, ,gas'];
        $this->put("/people/$technician->id/hours", $hours)->assertSessionHasNoErrors();
        self::assertSame(['engine', 'gas'], WorkProfile::query()->sole()->skills);
        $this->put("/people/$lead->id/hours", $hours)->assertForbidden();
        foreach (['to' => '07:00', 'lat' => 'north', 'days' => []] as $field => $bad) {
            $this->put("/people/$technician->id/hours", [$field => $bad] + $hours)->assertSessionHasErrors($field);
        }
        $this->actingAs($lead);
        $this->put("/people/$technician->id/hours", ['from' => '09:00'] + $hours)->assertSessionHasNoErrors();
        self::assertSame('09:00', WorkProfile::query()->sole()->from);
        $stranger = UserFactory::make(Role::Technician);
        $this->put("/people/$stranger->id/hours", $hours)->assertNotFound();
    }

    /** @param array<string, mixed> $exercise */
    private function exercising(User $user, array $exercise): TransferSwitch
    {
        $switch = $this->switchOf($user, InstallationKind::WholeHouse);
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $sheet = $switch->sheet()->firstOrFail();
        Sheet::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'version' => 2, 'standing' => $sheet->standing,
            'settings' => $sheet->settings, 'user_id' => $user->id,
            'habits' => ['exercise' => $exercise + ['time' => '12:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false]],
        ]);

        return $switch->load(['site', 'sheet']);
    }

    /** @return array<string, mixed> */
    private function hours(User $user): array
    {
        return [
            'company_id' => $user->company_id, 'user_id' => $user->id, 'lat' => 44, 'lon' => -68,
            'days' => ['mon', 'tue', 'wed', 'thu', 'fri'],
            'from' => '08:00', 'to' => '17:00', 'skills' => ['electric'],
        ];
    }
}
