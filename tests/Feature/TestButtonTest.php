<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\HandoverLink;
use App\Models\ImportedRun;
use App\Models\Run;
use App\Models\TransferSwitch;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Http\UploadedFile;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;
use Tests\WorksThrough;

/** A test by the controller's button: timed beside the outage, judged by its own windows, and never a proof of the sensing. */
final class TestButtonTest extends TestCase
{
    use WorksThrough;

    private const TEST = [
        'test_on' => 0,
        'start_signal' => 300,
        'engine_running' => 5600,
        'transferred' => 15_700,
        'test_off' => 180_000,
        'retransferred' => 180_200,
        'engine_stopped' => 306_900,
    ];

    #[Test]
    public function outage_and_test_stand_side_by_side_in_verdict_report_and_owner_s_page(): void
    {
        $run = $this->begun();
        $this->sendMarks($run, [...self::timed(), ...self::timed(self::TEST, 1_000_000)])->assertOk()->assertJsonCount(14, 'kept');
        $this->get(
            "/runs/$run->id/verdict",
            ['HX-Request' => 'true'],
        )->assertSee('Every time is inside its window.')
            ->assertSeeInOrder(['Outage', 'Test by the button'])
            ->assertDontSee('Outage 1')
            ->assertDontSee('Timed more than once');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Ana Quist'])->assertSessionHasNoErrors();
        self::assertSame('pass', $run->refresh()->verdict);
        $this->get("/runs/$run->id/report")->assertSee('Test by the button')->assertSee('Test begun');
        $this->get("/runs/$run->id/report.pdf")->assertOk();
        $told = json_decode((string) $this->get("/runs/$run->id/report.json")->getContent());
        $schema = json_decode((string) file_get_contents(base_path('docs/schema/run.schema.json')));
        self::assertTrue((new Validator())->validate($told, $schema)->isValid());
        $this->post("/runs/$run->id/link", ['days' => '30'])->assertRedirect();
        $address = (string) session('link');
        self::assertSame(1, HandoverLink::query()->count());
        $this->get($address)->assertSee('It takes over and goes back in the times that were set.');
    }

    #[Test]
    public function a_test_alone_leaves_the_run_incomplete_and_says_why(): void
    {
        $run = $this->begun();
        $this->sendMarks($run, self::timed(self::TEST))->assertOk();
        $this->get(
            "/runs/$run->id/verdict",
            ['HX-Request' => 'true'],
        )->assertSee('finding-button-only', false)->assertSee('it would not be complete');
        $this->post("/runs/$run->id/sign", ['signed_name' => 'Ana Quist'])->assertSessionHasNoErrors();
        self::assertSame('incomplete', $run->refresh()->verdict);
    }

    /**
     * @param list<list<mixed>> $sent
     * @param list<string>      $told
     * @param list<string>      $silent
     */
    #[Test, DataProvider('unproved')]
    public function the_report_says_what_was_not_proved_in_which_run(array $sent, array $told, array $silent): void
    {
        $run = $this->begun();
        $this->sendMarks($run, array_merge([], ...$sent))->assertOk();
        preg_match('#What was not proved</h3>(.*?)</ul>#s', (string) $this->get("/runs/$run->id/report")->getContent(), $part);
        foreach ($told as $words) {
            self::assertStringContainsString("<li>$words</li>", $part[1] ?? '');
        }
        foreach ($silent as $words) {
            self::assertStringNotContainsString($words, $part[1] ?? '');
        }
    }

    /** @return iterable<string, array{list<list<mixed>>, list<string>, list<string>}> */
    public static function unproved(): iterable
    {
        $baited = ['bait_on' => 60_000, 'bait_off' => 70_000] + self::IN_TIME;
        $cut = array_slice(self::IN_TIME, 0, 4);
        yield 'one outage without a bait' => [[self::timed()], ['The bait test was not done.'], ['not timed', 'No outage']];
        yield 'the bait in the first of two' => [
            [self::timed($baited), self::timed(fromMs: 1_000_000)],
            [],
            ['bait test was not done', 'not timed'],
        ];
        yield 'the second cut short' => [
            [self::timed($baited), self::timed($cut, 1_000_000)],
            ['Outage 2: return was not timed.', 'Outage 2: engine stop was not timed.'],
            ['Outage 1:', 'Outage 2: transfer'],
        ];
        yield 'one that was cut short' => [[self::timed($cut)], ['Return was not timed.', 'Engine stop was not timed.'], ['Outage']];
        yield 'a test alone' => [
            [self::timed(self::TEST)],
            ['No outage was simulated: that the switch notices a lost utility is not proved.', 'The bait test was not done.'],
            ['not timed'],
        ];
        yield 'a test cut short' => [
            [self::timed($baited), self::timed(array_slice(self::TEST, 0, 4), 1_000_000)],
            ['Test by the button: return was not timed.'],
            ['Outage:', 'bait'],
        ];
        yield 'nothing' => [[], ['Nothing was timed.'], ['No outage']];
    }

    #[Test]
    public function a_finding_names_the_run_it_is_about(): void
    {
        $run = $this->begun();
        $this->sendMarks(
            $run,
            [...self::timed(), ...self::timed(['engine_stopped' => 200_000] + self::TEST, 1_000_000), ...self::timed(fromMs: 2_000_000)],
        )->assertOk();
        $this->get(
            "/runs/$run->id/verdict",
            ['HX-Request' => 'true'],
        )->assertSeeInOrder(['Outage 1', 'Test by the button', 'Outage 2'])->assertSeeInOrder(
            ['Timed more than once', 'Transfer', '>2<'],
            false,
        )->assertSeeInOrder(
            ['told-of">Test by the button', 'The engine stopped early'],
            false,
        );
        $this->get("/runs/$run->id/report")->assertSee('(Test by the button)');
    }

    #[Test]
    public function its_steps_are_answered_by_its_own_marks_only(): void
    {
        $run = $this->begun(['test_button' => '1']);
        $states = fn(): array => array_map(
            static fn($state): string => $state->value,
            array_filter(
                $this->page($run)->progress->states,
                static fn(string $id): bool => str_ends_with($id, '/time-transfer'),
                ARRAY_FILTER_USE_KEY,
            ),
        );
        $this->sendMarks($run, self::timed())->assertOk();
        self::assertSame(['simulated_outage/time-transfer' => 'done', 'test_button/time-transfer' => 'locked'], $states());
        $this->sendMarks($run, self::timed(['transferred' => 90_000] + self::TEST, 1_000_000))->assertOk();
        self::assertSame(['simulated_outage/time-transfer' => 'done', 'test_button/time-transfer' => 'not_so'], $states());
        $this->sendMarks($run, self::timed(self::TEST, 2_000_000))->assertOk();
        self::assertSame(['simulated_outage/time-transfer' => 'done', 'test_button/time-transfer' => 'done'], $states());
        self::assertStringContainsString(
            'in the middle of 2',
            (string) $this->page($run)->timed($this->page($run)->facts->steps['test_button/time-transfer']),
        );
    }

    #[Test]
    public function elsewhere_an_imported_run_tells_the_same(): void
    {
        $run = $this->begun();
        $this->sendMarks($run, [...self::timed(), ...self::timed(self::TEST, 1_000_000)])->assertOk();
        $file = (string) $this->get("/runs/$run->id/report.json")->getContent();
        $this->post('/library/runs', ['run' => UploadedFile::fake()->createWithContent('run.json', $file)])->assertSessionHasNoErrors();
        $this->get('/library/runs/' . ImportedRun::query()->sole()->id)->assertSeeInOrder(
            ['Every time is inside its window.', 'Outage', 'Test by the button'],
            false,
        )->assertSee('Test ended');
    }

    /**
     * @param list<string> $ways
     * @param list<string> $words
     */
    #[Test, DataProvider('watches')]
    public function the_watch_offers_what_this_kind_can_do_in_the_words_of_it(
        InstallationKind $kind,
        array $ways,
        array $words,
        bool $hasTest,
    ): void {
        $switch = $this->switchOf($this->signIn(), $kind);
        $this->get("/switches/$switch->id/commission")->assertOk()->{$hasTest ? 'assertSee' : 'assertDontSee'}('Test by the button, timed');
        $run = $this->begunOn($switch);
        $page = $this->get("/runs/$run->id")->assertOk();
        preg_match('/data-watch="([^"]*)"/', (string) $page->getContent(), $found);
        $watch = json_decode(html_entity_decode($found[1] ?? '', ENT_QUOTES));
        self::assertSame($ways, array_column($watch->ways, 'name'));
        self::assertSame($words, [$watch->ways[0]->steps[0]->when, $watch->ways[0]->where]);
        foreach ($watch->ways as $way) {
            $events = array_column($way->steps, 'event');
            foreach ($way->steps as $step) {
                foreach ($step->interval->from ?? [] as $from) {
                    self::assertContains($from->event, $events, "$way->id: $step->event counts from a mark of its own run");
                    self::assertCount(3, $from->window);
                }
            }
        }
        $page->{$hasTest ? 'assertSee' : 'assertDontSee'}('<option value="test_on"', false);
    }

    /** @return iterable<string, array{InstallationKind, list<string>, list<string>, bool}> */
    public static function watches(): iterable
    {
        yield 'a house' => [
            InstallationKind::WholeHouse, ['Simulated outage', 'Test by the button'],
            ['as you open the disconnect upstream', 'Q1 service is the one to open'], true,
        ];
        yield 'a box with a plug' => [
            InstallationKind::PlugInBox, ['Simulated outage', 'Test by the button'],
            ['as you pull the plug', 'pull the plug of the switch box'], true,
        ];
        yield 'a mobile relay' => [
            InstallationKind::Mobile30,
            ['Start and stop'],
            ['as you press the start of the generator', "by the generator's own buttons"],
            false,
        ];
        yield 'two transformers' => [
            InstallationKind::ContactorPair, ['Simulated outage'],
            ['as you open the disconnect upstream', 'First supply disconnect is the one to open'], false,
        ];
    }

    /** @param array<string, string> $options */
    private function begun(array $options = []): Run
    {
        return $this->begunOn($this->switchOf($this->signIn()), $options);
    }

    /** @param array<string, string> $options */
    private function begunOn(TransferSwitch $switch, array $options = []): Run
    {
        $this->post("/switches/$switch->id/commission", ['hazards_read' => '1', 'options' => $options])->assertSessionHasNoErrors();

        return Run::query()->latest('id')->firstOrFail();
    }
}
