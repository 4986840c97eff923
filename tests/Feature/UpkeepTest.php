<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Seen;
use App\Models\HandoverLink;
use App\Models\LogEntry;
use App\Models\Photo;
use App\Models\Role;
use App\Models\ServiceInterval;
use App\Models\StatusChange;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\User;
use App\Stage\SiteStanding;
use App\Stage\Upkeep\UpkeepPage;
use Database\Factories\UserFactory;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Record\Verification;
use Escapement\Core\Schedule\Service\DueItem;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\GuardsStatus;
use Tests\TestCase;

/** Schedule, logbook and fleet: one record, from which all of them read. */
final class UpkeepTest extends TestCase
{
    use GuardsStatus;
    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-11-26T15:00:00Z');
    }

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test, DataProvider('kinds')]
    public function every_type_has_a_schedule_a_logbook_and_a_place_in_the_fleet(InstallationKind $kind): void
    {
        $switch = $this->switchOf($this->signIn(), $kind);
        $schedule = $this->get("/switches/$switch->id/schedule")->assertOk();
        $schedule->assertSee('both sources isolated, locked out and proved dead');
        $kind->hasGenerator()
            ? $schedule->assertSee('Not known: when the set was installed')->assertSee('start battery disconnected')
            : $schedule->assertSee('it goes over without warning')->assertDontSee('start battery')->assertDontSee('Cooling of the engine')
                ->assertSee('Two supplies have nothing to exercise')->assertDontSee('Fuel at storm load')
                ->assertDontSee('Load tests asked');
        $known = ['priority' => 4, 'selector' => 'auto'] + ($kind->hasGenerator() ? ['school' => 'annual'] : []);
        $this->put("/switches/$switch->id/upkeep", $known)->assertSessionHasNoErrors()->assertRedirect("/switches/$switch->id/schedule");
        $this->get("/switches/$switch->id/schedule")->assertOk();
        $this->get("/switches/$switch->id/logbook")->assertOk()->assertSee('None yet');
        $exercise = ['day' => 'tue', 'time' => '12:00', 'every' => 'weekly', 'for_min' => 15, 'with_load' => false];
        $next = ['version' => 2, 'habits' => ['exercise' => $exercise], 'created_at' => now()];
        $switch->sheets()->firstOrFail()->replicate()->fill($next)->save();
        $file = $this->get("/switches/$switch->id/schedule.ics")->assertOk()->assertSee('BEGIN:VCALENDAR');
        self::assertSame($kind->hasGenerator(), str_contains((string) $file->getContent(), 'starts by itself'), $kind->value);
        $fleet = $this->get('/fleet')->assertOk();
        $kind->hasGenerator()
            ? $fleet->assertSee('Fern Hill 3')->assertSee('not known')
            : $fleet->assertSee('1 without a generator not judged')->assertDontSee('Fern Hill 3');
    }

    #[Test]
    public function what_was_done_is_due_again_later_and_the_fleet_sees_it(): void
    {
        $switch = $this->known();
        $this->get("/switches/$switch->id/schedule")->assertSee('Oil and filter')->assertSee('not on record');
        $this->write($switch, 'hours', ['hours' => '120,5'], '2026-11-20T10:00')->assertSessionHasNoErrors();
        $this->write($switch, 'service', [], '2026-11-20T10:30', ['items' => ['oil_and_filter']])->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/schedule")->assertSee('24 months after 20 Nov 2026')->assertSee('120.5 h');
        $before = $this->score($switch);
        $this->write($switch, 'exercise', ['done' => 'yes', 'run_min' => '12'], '2026-11-25T09:00')->assertSessionHasNoErrors();
        self::assertGreaterThan($before, $this->score($switch));
    }

    #[Test]
    public function an_entry_sent_twice_is_kept_once_and_struck_out_it_counts_no_more(): void
    {
        $switch = $this->known();
        $id = (string) Str::uuid();
        foreach ([1, 2] as $ignored) {
            $this->write($switch, 'alarm', ['code' => 'overcrank'], '2026-11-20T10:00', ['id' => $id])->assertSessionHasNoErrors();
        }
        self::assertSame(1, LogEntry::query()->count());
        $this->get("/switches/$switch->id/logbook")->assertSee('An alarm is not cleared');
        $this->delete("/switches/$switch->id/logbook/$id", ['why' => ''])->assertSessionHasErrors('why');
        $this->delete("/switches/$switch->id/logbook/$id", ['why' => 'other site'])->assertSessionHasNoErrors();
        $this->get("/switches/$switch->id/logbook")->assertDontSee('An alarm is not cleared')->assertSee('Struck out: other site');
    }

    #[Test]
    public function gallons_are_typed_on_a_us_site_and_litres_are_kept(): void
    {
        $switch = $this->known();
        $this->write($switch, 'fuel_fill', ['amount' => '100'], '2026-11-20T10:00')->assertSessionHasNoErrors();
        self::assertEqualsWithDelta(378.54, LogEntry::query()->firstOrFail()->fields['amount'], 0.01);
        $this->get("/switches/$switch->id/logbook")->assertSee('100 gal');
    }

    /** @return iterable<string, array{string, array<string, string>, array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'hours in words' => ['hours', ['hours' => 'many'], [], 'f.hours'];
        yield 'no hours' => ['hours', [], [], 'f.hours'];
        yield 'an outage that ends before it begins' => ['outage', ['end' => '2026-11-19T10:00'], [], 'f.end'];
        yield 'an hour that is none' => ['outage', ['end' => 'soon'], [], 'f.end'];
        yield 'what did not run and ran' => ['exercise', ['done' => 'no', 'run_min' => '12'], [], 'f.run_min'];
        yield 'no service' => ['service', [], ['items' => []], 'items'];
        yield 'an alarm without a name' => ['alarm', [], [], 'f.code'];
        yield 'the future' => ['alarm', ['code' => 'x'], ['at' => '2027-01-01T10:00'], 'at'];
        yield 'no day' => ['alarm', ['code' => 'x'], ['at' => 'yesterday'], 'at'];
        yield 'no such kind' => ['party', [], [], 'kind'];
    }

    /**
     * @param array<string, string> $fields
     * @param array<string, mixed>  $more
     */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_read_is_said_at_its_field_and_nothing_is_written(
        string $kind,
        array $fields,
        array $more,
        string $field,
    ): void {
        $switch = $this->known();
        $this->write($switch, $kind, $fields, '2026-11-20T10:00', $more)->assertSessionHasErrors($field);
        self::assertSame(0, LogEntry::query()->count());
    }

    #[Test]
    public function outages_that_overlap_are_refused(): void
    {
        $switch = $this->known();
        $this->write($switch, 'outage', ['end' => '2026-11-20T12:00', 'transfer_s' => '14'], '2026-11-20T10:00')
            ->assertSessionHasNoErrors();
        $this->write($switch, 'outage', ['end' => '2026-11-20T13:00'], '2026-11-20T11:00')->assertSessionHasErrors('at');
        $this->get("/switches/$switch->id/logbook")->assertSee('1, 99.8 %');
    }

    #[Test]
    public function a_day_of_installation_after_the_first_entry_is_said_and_breaks_no_page(): void
    {
        $switch = $this->known();
        $this->write($switch, 'hours', ['hours' => '5'], '2022-06-01T10:00')->assertSessionHasNoErrors();
        Upkeep::query()->update(['installed_on' => '2025-01-01']);
        $this->get("/switches/$switch->id/schedule")->assertOk()->assertSee('do not fit together');
        $this->get("/switches/$switch->id/logbook")->assertOk();
        $this->get('/fleet')->assertOk();
    }

    #[Test]
    public function a_logbook_keeps_a_record_and_whoever_writes_into_the_table_is_found(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        $page = "/switches/$switch->id/logbook";
        $entry = static fn(string $hours): array => [
            'id' => (string) Str::uuid(), 'kind' => 'hours', 'at' => '2026-01-02T10:00', 'f' => ['hours' => $hours], 'note' => 'cold day',
        ];
        $this->post($page, $entry('12'))->assertSessionHasNoErrors();
        $second = $entry('13');
        $this->post($page, $second)->assertSessionHasNoErrors();
        $this->delete("$page/{$second['id']}", ['why' => 'misread'])->assertSessionHasNoErrors();
        $this->get($page)->assertOk()->assertSee('Record whole: 3 entries');
        $json = (string) $this->get("$page.json")->assertOk()->getContent();
        self::assertSame(2, Verification::of(Node::fromJson($json))['lines']);
        $valid = (new Validator())->validate(
            json_decode($json),
            (string) file_get_contents(base_path('docs/schema/logbook.schema.json')),
        );
        self::assertTrue($valid->isValid(), (string) json_encode($valid->error()?->data()->fullPath()));
        $this->get("$page.csv")->assertOk()->assertSee('misread');
        User::query()->update(['name' => 'Called otherwise']);
        $this->get($page)->assertSee('Record whole', false);
        foreach (["UPDATE log_entries SET note = 'warm day'", 'DELETE FROM log_entries WHERE struck_why IS NOT NULL'] as $sql) {
            DB::beginTransaction();
            DB::statement($sql);
            $this->get($page)->assertOk()->assertDontSee('Record whole')->assertSee('Record: The record has');
            DB::rollBack();
        }
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> what is asked, what is shown, what is not */
    public static function searches(): iterable
    {
        yield 'a word of the note' => ['find=mouse', ['overcrank'], ['low fuel', '12.7 V']];
        yield 'every word, in any order and case' => ['find=FUEL+Alarm', ['low fuel'], ['overcrank']];
        yield 'words of two entries' => ['find=overcrank+fuel', ['0 found'], ['low fuel', '12.7 V']];
        yield 'a day as it is shown' => ['find=' . urlencode('21 Nov 2026'), ['low fuel'], ['overcrank']];
        yield 'why it was struck out' => ['find=misread', ['12.7 V'], ['overcrank', 'low fuel']];
        yield 'one kind' => ['only=alarm', ['overcrank', 'low fuel', '2 found'], ['12.7 V']];
        yield 'one kind and a word' => ['only=battery&find=low', ['0 found'], ['low fuel']];
        yield 'a kind that is none' => ['only=party', ['overcrank', 'low fuel', '12.7 V'], ['found.']];
        yield 'a list and a page that is none' => ['find[]=x&only[]=y&page=-3', ['overcrank', 'low fuel', '12.7 V'], ['found.']];
        yield 'signs of SQL and of patterns' => ['find=' . urlencode("%_' (["), ['0 found'], ['overcrank']];
    }

    /**
     * @param list<string> $shown
     * @param list<string> $hidden
     */
    #[Test, DataProvider('searches')]
    public function a_logbook_is_searched_in_what_it_shows(string $asked, array $shown, array $hidden): void
    {
        $switch = $this->known();
        $struck = (string) Str::uuid();
        $cleared = ['cleared' => '2026-11-22T10:00'];
        $this->write($switch, 'alarm', ['code' => 'overcrank'] + $cleared, '2026-11-20T10:00', ['note' => 'Mouse nest'])
            ->assertSessionHasNoErrors();
        $this->write($switch, 'alarm', ['code' => 'low fuel'] + $cleared, '2026-11-21T10:00')->assertSessionHasNoErrors();
        $this->write($switch, 'battery', ['v' => '12.7', 'state' => 'rest'], '2026-11-22T10:00', ['id' => $struck]);
        $this->delete("/switches/$switch->id/logbook/$struck", ['why' => 'misread'])->assertSessionHasNoErrors();
        $page = $this->get("/switches/$switch->id/logbook?$asked")->assertOk()->assertSee('Record whole: 4 entries');
        $lines = (string) preg_replace('/.*<ol class="log-lines">/s', '', (string) $page->getContent());
        foreach ($shown as $words) {
            str_ends_with($words, 'found') ? $page->assertSee("$words.") : self::assertStringContainsString($words, $lines);
        }
        foreach ($hidden as $words) {
            str_ends_with($words, 'found.') ? $page->assertDontSee($words) : self::assertStringNotContainsString($words, $lines);
        }
    }

    #[Test]
    public function a_long_logbook_comes_in_pages_and_every_entry_is_on_one_of_them(): void
    {
        $switch = $this->known();
        $user = User::query()->firstOrFail()->id;
        foreach (range(1, 120) as $n) {
            LogEntry::query()->create([
                'id' => (string) Str::uuid(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user,
                'kind' => 'hours', 'at' => Carbon::parse('2026-01-01T00:00:00Z')->addDays($n), 'fields' => ['hours' => $n],
                'note' => "line-$n-", 'source' => 'person',
            ]);
        }
        $seen = [];
        foreach ([1 => '1 to 50 of 120', 2 => '51 to 100 of 120', 3 => '101 to 120 of 120', 99 => '101 to 120 of 120'] as $page => $words) {
            $shown = $this->get("/switches/$switch->id/logbook?find=line&page=$page")->assertOk()->assertSee($words);
            preg_match_all('/line-(\d+)-/', (string) $shown->getContent(), $found);
            $seen[$page] = array_map(intval(...), array_values(array_unique($found[1])));
        }
        self::assertSame(range(120, 1), [...$seen[1], ...$seen[2], ...$seen[3]]);
        self::assertSame($seen[3], $seen[99]);
        $this->get("/switches/$switch->id/logbook?find=line&page=2")->assertSee('find=line&amp;page=3#lines', false);
    }

    #[Test]
    public function entries_of_a_phone_arrive_once_and_one_that_cannot_be_kept_says_why(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $page = "/switches/$switch->id/logbook/batch";
        $entry = static fn(array $more): array => $more + [
            'id' => (string) Str::uuid(), 'kind' => 'battery', 'at' => '2026-01-02T10:00', 'f' => ['v' => '12,7', 'state' => 'rest'],
            'items' => [],
        ];
        $good = $entry(['maker' => $user->id]);
        foreach ([1, 2] as $ignored) { // the answer was lost on its way back
            $this->postJson($page, ['entries' => [$good]])->assertOk()->assertJson(['kept' => [$good['id']], 'refused' => []]);
        }
        $refused = $this->postJson($page, ['entries' => [
            $entry(['f' => ['v' => 'full']]), $entry(['kind' => 'party']), $entry(['at' => '2999-01-01T10:00']), $entry(['maker' => 999]),
            'words',
        ]])->assertOk()->json('refused');
        self::assertCount(5, $refused);
        self::assertSame(1, LogEntry::query()->count());
        self::assertEquals(12.7, LogEntry::query()->sole()->fields['v']);
        $this->postJson($page, ['entries' => 'many'])->assertUnprocessable();
    }

    #[Test]
    public function an_entry_has_its_pictures_each_once_and_bound_into_the_record(): void
    {
        $switch = $this->known();
        $id = (string) Str::uuid();
        $picture = UploadedFile::fake()->image('plate.jpg', 800, 600);
        foreach ([1, 2] as $ignored) { // the form sent twice
            $this->write($switch, 'alarm', ['code' => 'overcrank'], '2026-11-20T10:00', ['id' => $id, 'photos' => [$picture]])
                ->assertSessionHasNoErrors();
        }
        self::assertSame($id, Photo::query()->sole()->log_entry_id);
        $shot = (string) Str::uuid();
        $send = fn(string $to, string $as): TestResponse => $this->postJson("/switches/$switch->id/logbook/$to/photos", [
            'id' => $as, 'photo' => UploadedFile::fake()->image('meter.jpg', 640, 480),
        ]);
        $send($id, $shot)->assertOk();
        $send($id, $shot)->assertOk();
        $send((string) Str::uuid(), (string) Str::uuid())->assertStatus(422)->assertJsonPath('error.path', '/id');
        self::assertSame(2, Photo::query()->count());
        $this->get("/switches/$switch->id/logbook")->assertSee('Picture 2 of the entry')->assertSee('Record whole');
        $export = Node::fromJson((string) $this->get("/switches/$switch->id/logbook.json")->getContent());
        self::assertSame(3, Verification::of($export)['entries'] ?? count((array) data_get($export->value, 'record.entries')));
    }

    #[Test]
    public function a_file_that_is_no_picture_is_said_and_nothing_is_written(): void
    {
        $switch = $this->known();
        $this->write($switch, 'alarm', ['code' => 'overcrank'], '2026-11-20T10:00', [
            'photos' => [UploadedFile::fake()->createWithContent('plate.jpg', 'no picture')],
        ])->assertSessionHasErrors('photos');
        self::assertSame(0, LogEntry::query()->count());
    }

    #[Test]
    public function an_owner_tells_with_two_taps_what_happened_and_it_stands_on_the_board_until_it_is_read(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $run = $this->runOf($switch);
        $run->update(['signed_at' => now(), 'signed_name' => 'Ana', 'verdict' => 'pass']);
        HandoverLink::query()->create([
            'company_id' => $user->company_id, 'run_id' => $run->id, 'user_id' => $user->id, 'token_hash' => HandoverLink::hash('a-token'),
            'expires_at' => now()->addDay(),
        ]);
        $this->app['auth']->forgetGuards();
        $this->get('/owner/a-token')->assertOk()->assertSee('It did not start')->assertSee('leave the place');
        $this->post('/owner/a-token/report', ['report' => 'boom'])->assertSessionHasErrors('report');
        $this->post('/owner/wrong/report', ['report' => 'no_start'])->assertNotFound();
        $this->post('/owner/a-token/report', ['report' => 'no_start', 'words' => 'Only a click'])->assertRedirect('/owner/a-token');
        foreach (range(1, 8) as $ignored) {
            $last = $this->post('/owner/a-token/report', ['report' => 'other']);
        }
        $last->assertStatus(429);
        $entry = LogEntry::query()->withoutGlobalScope('company')->orderBy('created_at')->where('note', 'Only a click')->sole();
        self::assertSame(['alarm', 'owner: it did not start', 'owner'], [$entry->kind, $entry->fields['code'], $entry->source]);
        $this->actingAs($user);
        LogEntry::query()->whereNull('note')->update(['seen_at' => now()]);
        $this->get('/')->assertSee('the owner says it did not start')->assertSee('Only a click');
        $this->get("/switches/$switch->id/logbook")->assertSee('Reported by the owner: mark as read')->assertSee('Record whole');
        $this->post("/switches/$switch->id/logbook/$entry->id/read")->assertRedirect();
        $this->get('/')->assertDontSee('the owner says');
    }

    private function known(): TransferSwitch
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 20]]);
        Upkeep::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'installed_on' => '2022-05-01',
            'cooling' => 'air', 'selector' => 'auto',
        ]);

        return $switch;
    }

    /**
     * @param array<string, string> $fields
     * @param array<string, mixed>  $more
     */
    private function write(
        TransferSwitch $switch,
        string $kind,
        array $fields,
        string $at,
        array $more = [],
    ): TestResponse {
        return $this->post("/switches/$switch->id/logbook", $more + [
            'id' => (string) Str::uuid(), 'kind' => $kind, 'at' => $at, 'f' => $fields,
        ]);
    }

    private function score(TransferSwitch $switch): int
    {
        preg_match('/aria-label="(\d+) of 100"/', (string) $this->get('/fleet')->getContent(), $found);

        return (int) ($found[1] ?? 0);
    }

    #[Test]
    public function a_company_and_a_site_have_intervals_of_their_own_and_the_board_hears_of_it(): void
    {
        $lead = $this->signIn(Role::Lead);
        $switch = $this->switchOf($lead);
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);
        Upkeep::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $lead->id, 'installed_on' => '2026-01-01',
            'cooling' => 'air',
        ]);
        $page = "/switches/$switch->id/schedule";
        $intervals = "/switches/$switch->id/intervals";
        $this->get($page)->assertOk()->assertSee('Intervals of this site and of the company')->assertSee('generic interval');
        $item = 'oil_and_filter';
        $find = fn(): ?DueItem => collect((new UpkeepPage(
            TransferSwitch::query()->with(SiteStanding::NEEDS)->findOrFail($switch->id),
            now(),
        ))->due)->first(static fn(DueItem $one): bool => $one->item->id === $item);
        self::assertNotNull($find(), "no $item");
        foreach ([['hours' => 'many'], ['hours' => '-5'], ['months' => '0'], ['months' => '1.5'], ['months' => '999']] as $bad) {
            $this->put($intervals, ['i' => [$item => ['site' => $bad]]])->assertSessionHasErrors("i.$item.site." . array_key_first($bad));
        }
        self::assertSame(0, ServiceInterval::query()->count());
        StatusChange::query()->delete();
        $this->put($intervals, ['i' => [$item => ['company' => ['hours' => '300', 'months' => '18'], 'site' => ['months' => '']]]])
            ->assertSessionHasNoErrors();
        self::assertSame([$switch->site_id], StatusChange::query()->pluck('site_id')->all(), 'the board hears of it once');
        self::assertSame([300.0, 18, false], [$find()?->hours, $find()?->months, $find()?->item->isGeneric]);
        $this->put($intervals, ['i' => [$item => ['site' => ['hours' => '99,5', 'months' => '6']]]])->assertSessionHasNoErrors();
        self::assertSame([99.5, 6], [$find()?->hours, $find()?->months], 'the site before the company');
        $this->put($intervals, ['seen' => Seen::stamp([]), 'i' => [$item => ['site' => ['hours' => '70', 'months' => '']]]])
            ->assertSessionHasErrors(['seen' => "This was saved meanwhile, by $lead->name. What you typed stands here: look at theirs in "
                . 'another tab, then save again to keep yours.']);
        $this->get($page)->assertSee('value="70"', false)->assertSee('This was saved meanwhile');
        self::assertSame([99.5, 6], [$find()->hours, $find()->months], 'the second is told before the work of the first is replaced');
        $this->get($page)->assertSee('value="99.5"', false)->assertSee('value="300"', false);
        $this->put($intervals, ['i' => [$item => ['site' => ['months' => 'off']]]])->assertSessionHasNoErrors();
        self::assertNull($find());
        $this->put($intervals, ['i' => [$item => ['site' => [], 'company' => []], 'nonsense' => ['site' => ['hours' => '5']]]])
            ->assertSessionHasNoErrors();
        self::assertSame(0, ServiceInterval::query()->count());
        self::assertTrue($find()?->item->isGeneric);

        $technician = UserFactory::make(Role::Technician, $lead->company_id);
        $this->actingAs($technician)->get($page)->assertDontSee('The whole company');
        $this->put($intervals, ['i' => [$item => ['company' => ['hours' => '1'], 'site' => ['hours' => '80']]]])
            ->assertSessionHasNoErrors();
        self::assertSame([80.0], ServiceInterval::query()->pluck('hours')->all(), 'the company is the lead\'s');
    }
}
