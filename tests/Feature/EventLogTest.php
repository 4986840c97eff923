<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\ColumnMap;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\Verification;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** The event log of a controller goes into the logbook once, and never over what somebody wrote. */
final class EventLogTest extends TestCase
{
    private const LOG = <<<'CSV'
        Date and time;Event
        2026-11-20 03:00:00;Utility lost
        2026-11-20 03:00:12;Engine running
        2026-11-20 03:00:22;Transferred to emergency
        2026-11-20 04:10:00;Utility restored
        2026-11-20 04:20:00;Retransfer to normal
        2026-11-20 04:25:00;Engine stopped
        2026-11-24 10:00:00;Exercise started
        2026-11-24 10:12:00;Exercise complete
        2026-11-25 07:00:00;Low battery warning
        2026-11-25 07:30:00;Door opened
        2026-11-25 08:00:00;Alarms cleared
        2026-11-26 09:00:00;Utility lost
        CSV;

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-11-27 12:00:00');
    }

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test]
    public function it_becomes_an_outage_an_exercise_and_an_alarm_and_the_same_log_again_adds_nothing(): void
    {
        $switch = $this->ready();
        $this->import($switch, self::LOG)->assertSessionHasNoErrors()->assertSessionHas('said', static fn(string $said): bool
            => str_contains($said, '3 entries of the controller') && str_contains($said, '1 that it does not see end'));
        $entries = LogEntry::query()->orderBy('at')->get();
        self::assertSame(['outage', 'exercise', 'alarm'], $entries->pluck('kind')->all());
        self::assertSame(['device'], $entries->pluck('source')->unique()->all());
        self::assertSame('2026-11-20 08:00:00', $entries[0]->at->format('Y-m-d H:i:s'), 'New York, in UTC');
        self::assertEquals(['end' => '2026-11-20T09:10:00Z', 'started' => true, 'transfer_s' => 22], $entries[0]->fields);
        self::assertEquals(['done' => true, 'run_min' => 12], $entries[1]->fields);
        self::assertEquals(['code' => 'Low battery warning', 'cleared' => '2026-11-25T13:00:00Z'], $entries[2]->fields);
        $this->import($switch, self::LOG)->assertSessionHas('said', static fn(string $said): bool => str_contains($said, '0 entries')
            && str_contains($said, '3 were there already'));
        self::assertSame(3, LogEntry::query()->count());
        $this->get("/switches/$switch->id/logbook")->assertOk()->assertSee('By the log of the controller.')->assertSee('Record whole');
        $export = (string) $this->get("/switches/$switch->id/logbook.json")->getContent();
        self::assertTrue(Verification::of(Node::fromJson($export))['verified']);
    }

    #[Test]
    public function what_somebody_wrote_down_stays_theirs_and_what_was_struck_out_stays_out(): void
    {
        $switch = $this->ready();
        $this->post("/switches/$switch->id/logbook", [
            'id' => (string) Str::uuid(), 'kind' => 'outage', 'at' => '2026-11-20T03:05',
            'f' => ['end' => '2026-11-20T04:00', 'started' => 'yes'],
        ])->assertSessionHasNoErrors();
        $this->post("/switches/$switch->id/logbook", [
            'id' => (string) Str::uuid(), 'kind' => 'exercise', 'at' => '2026-11-24T09:30', 'f' => ['done' => 'yes', 'run_min' => '15'],
        ])->assertSessionHasNoErrors();
        $this->import($switch, self::LOG)->assertSessionHasNoErrors();
        self::assertSame(1, LogEntry::query()->where('kind', 'outage')->count());
        self::assertSame(1, LogEntry::query()->where('kind', 'exercise')->count(), 'half an hour apart: the same one');
        $alarm = LogEntry::query()->where('kind', 'alarm')->sole();
        $this->delete("/switches/$switch->id/logbook/$alarm->id", ['why' => 'a test of the horn'])->assertSessionHasNoErrors();
        $this->import($switch, self::LOG)->assertSessionHasNoErrors();
        self::assertSame('a test of the horn', LogEntry::query()->where('kind', 'alarm')->sole()->struck_why);
    }

    #[Test]
    public function the_meaning_of_its_words_is_confirmed_and_remembered_and_its_clock_is_put_right(): void
    {
        $switch = $this->ready();
        $log = "when,code\n2026-11-20 03:00:00,E17\n2026-11-20 03:30:00,E18\n";
        $file = fn(): UploadedFile => UploadedFile::fake()->createWithContent('log.csv', $log);
        $this->post("/switches/$switch->id/events/look", ['events' => $file()])->assertOk()->assertSee('E17')
            ->assertSee('as guessed from its words');
        $this->import($switch, $log)->assertSessionHasErrors('events');
        $said = ['time' => '0', 'words' => '1', 'meanings' => [['words' => 'E17', 'as' => 'exercise_begun'], ['words' => 'E18',
            'as' => 'exercise_ended'], ['words' => 'E19', 'as' => 'explosion'], 'nonsense']];
        $this->import($switch, $log, ['e' => $said, 'says' => '11:58:00', 'is' => '12:00:00'])->assertSessionHasNoErrors();
        self::assertSame('2026-11-20 08:02:00', LogEntry::query()->sole()->at->format('Y-m-d H:i:s'));
        self::assertSame(1, ColumnMap::query()->count());
        $this->post("/switches/$switch->id/events/look", ['events' => $file()])->assertSee('as for the last log with these headings')
            ->assertSee('<option value="exercise_begun" selected>', false);
        $this->import($switch, str_replace('-20 ', '-22 ', $log))->assertSessionHasNoErrors();
        self::assertSame(2, LogEntry::query()->count());
    }

    /** @param array<string, string> $more */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_read_is_told_by_its_line_and_nothing_is_kept(
        string $log,
        string $field,
        string $words,
        array $more = [],
    ): void {
        $switch = $this->ready();
        $this->import($switch, $log, $more)->assertSessionHasErrors($field);
        self::assertStringContainsString($words, session('errors')->first($field));
        self::assertSame([0, 0], [LogEntry::query()->count(), ColumnMap::query()->count()]);
    }

    /** @return iterable<string, array{0: string, 1: string, 2: string, 3?: array<string, string>}> */
    public static function faults(): iterable
    {
        yield 'no table' => ["\0\0\0", 'events', 'no table of text'];
        yield 'one column' => ["hello\nworld\n", 'events', 'two columns'];
        yield 'no date' => ["time,event\nsoon,Utility lost\n", 'events', 'line 2'];
        yield 'an hour without a day' => ["time,event\n03:00:00,Utility lost\n", 'events', 'without a day'];
        yield 'not yet' => ["time,event\n2027-01-01 03:00:00,Utility lost\n", 'events', 'not happened yet'];
        yield 'a line too long' => ["time,event\n2026-11-01 03:00:00,Utility lost,again\n", 'events', 'line 2'];
        yield 'nothing for the logbook' => ["time,event\n2026-11-01 03:00:00,Door opened\n", 'events', 'No line of it'];
        yield 'a zone that is none' => [self::LOG, 'zone', 'time zone', ['zone' => 'Mars/Olympus']];
        yield 'half of a clock' => [self::LOG, 'is', 'really was', ['says' => '09:00']];
    }

    private function ready(): TransferSwitch
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 18]]);

        return $switch;
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<RedirectResponse>
     */
    private function import(TransferSwitch $switch, string $log, array $more = []): TestResponse
    {
        return $this->post("/switches/$switch->id/events", $more + [
            'zone' => 'America/New_York', 'events' => UploadedFile::fake()->createWithContent('log.csv', $log),
        ]);
    }
}
