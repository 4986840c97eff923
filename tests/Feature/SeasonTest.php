<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\PlaySeason;
use App\Jobs\Turn;
use App\Models\Season;
use App\Models\SeasonState;
use App\Models\Sheet;
use App\Models\Standing;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use Illuminate\Support\Facades\Queue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

final class SeasonTest extends TestCase
{
    private const ASKED = [
        'versions' => ['1'],
        'turn' => '/return_delay_ms',
        'turn_from' => '5',
        'turn_to' => '600',
        'turn_steps' => '3',
        'days' => '60',
        'seed' => '4',
        'blinks' => '100',
        'blink_s' => '8',
        'sags' => '50',
        'sag_pct' => '40',
        'sag_s' => '2',
        'outages' => '60',
        'outage_least_s' => '20',
        'outage_most_s' => '900',
        'false_pct' => '60',
        'idle_burn' => '2.5', 'loaded_burn' => '6',
    ];

    #[Test]
    public function a_season_is_played_in_the_queue_and_a_candidate_becomes_a_proposed_sheet(): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post("/switches/$switch->id/season", self::ASKED)->assertSessionHasNoErrors()->assertRedirect();
        $season = Season::query()->firstOrFail();
        self::assertSame(SeasonState::Done, $season->state);
        $candidates = $season->result['candidates'] ?? [];
        self::assertSame(
            ['Version 1, as found', 'Return delay 5 s', 'Return delay 302.5 s', 'Return delay 600 s'],
            array_map(
                static fn(array $c): string => strtr(
                    $c['name'],
                    ["\u{202F}" => ' ', '5:02.5' => '302.5 s', '10:00.0' => '600 s', '5.0' => '5'],
                ),
                $candidates,
            ),
        );
        $same = (new Calculations())->calc('settings_compare', Node::fromArray($season->input));
        foreach ($candidates as $i => $candidate) {
            self::assertSame($same['candidates'][$i]['metrics']->busDeadMs, $candidate['metrics']['bus_dead_ms']);
            self::assertEqualsWithDelta($same['candidates'][$i]['fuel_l'], $candidate['fuel_l'], 1e-9);
        }
        self::assertSame(count($same['differing']), $season->result['differing_count'] ?? -1);
        $this->get("/seasons/$season->id?pick=3")->assertOk()->assertSee('class="candidate is-picked"', false);
        self::assertStringContainsString('Propose this sheet', self::words($this->get("/seasons/$season->id?pick=3")));
        $this->get("/seasons/$season->id.json")->assertOk()->assertJsonPath('result.candidates.0.name', $candidates[0]['name']);
        $this->post("/seasons/$season->id/adopt", ['pick' => 3])->assertRedirect("/switches/$switch->id/settings");
        $sheet = Sheet::query()->latest('version')->firstOrFail();
        self::assertSame([2, Standing::Proposed, 600_000], [$sheet->version, $sheet->standing, $sheet->settings['return_delay_ms']]);
        $this->post("/seasons/$season->id/adopt", ['pick' => 99])->assertNotFound();
    }

    #[Test]
    public function a_company_with_a_season_under_way_lets_those_of_others_go_first(): void
    {
        Queue::fake();
        $mine = $this->switchOf($this->signIn());
        foreach (['heavy', 'later', 'later'] as $queue) {
            $this->post("/switches/$mine->id/season", self::ASKED)->assertSessionHasNoErrors();
            self::assertSame($queue, Queue::pushed(PlaySeason::class)->last()?->queue);
        }
        $theirs = $this->switchOf($this->signIn());
        $this->post("/switches/$theirs->id/season", self::ASKED)->assertSessionHasNoErrors();
        self::assertSame('heavy', Queue::pushed(PlaySeason::class)->last()?->queue, 'the first of another company');
        Season::query()->update(['state' => SeasonState::Done]);
        $this->post("/switches/$theirs->id/season", self::ASKED)->assertSessionHasNoErrors();
        self::assertSame('heavy', Queue::pushed(PlaySeason::class)->last()?->queue);
        foreach (['bin/lib/worker', 'bin/lib/server/escapement-queue.service'] as $worker) {
            self::assertStringContainsString('--queue=' . Turn::QUEUES, (string) file_get_contents(base_path($worker)));
        }
    }

    #[Test]
    public function a_season_that_waits_is_watched_and_stopped(): void
    {
        Queue::fake();
        $switch = $this->switchOf($this->signIn());
        $this->post("/switches/$switch->id/season", self::ASKED)->assertSessionHasNoErrors();
        Queue::assertPushed(PlaySeason::class);
        $season = Season::query()->firstOrFail();
        $this->get("/seasons/$season->id")->assertOk()->assertSee('Waits for its turn')->assertSee('aria-valuemax="4"', false);
        $this->get("/seasons/$season->id?seen=0", ['HX-Request' => 'true'])->assertNoContent();
        $this->get("/seasons/$season->id?seen=-1", ['HX-Request' => 'true'])->assertOk()->assertDontSee('<html', false);
        $this->post("/seasons/$season->id/cancel")->assertRedirect();
        (new PlaySeason($season->id))->handle();
        self::assertSame([SeasonState::Cancelled, 0], [$season->refresh()->state, $season->played], 'a stopped season is not begun');
        $this->get("/seasons/$season->id")->assertOk()->assertSee('Stopped after 0 of 4');
    }

    #[Test]
    public function a_recording_is_a_season_too(): void
    {
        $user = $this->signIn();
        $switch = $this->switchOf($user);
        $this->post(
            "/switches/$switch->id/season",
            ['recording' => (string) $this->recordingOf($user)->id, 'versions' => ['1']],
        )->assertSessionHasNoErrors();
        self::assertSame(1, Season::query()->firstOrFail()->result['candidates'][0]['metrics']['engine_starts'] ?? null);
        $stranger = $this->signIn();
        $other = $this->switchOf($stranger);
        $this->post("/switches/$other->id/season", ['recording' => '1', 'versions' => ['1'], 'days' => ''])->assertSessionHasErrors();
    }

    /** @param array<string, mixed> $change */
    #[Test, DataProvider('refused')]
    public function what_cannot_be_played_is_told_at_its_field(array $change, string $field): void
    {
        $switch = $this->switchOf($this->signIn());
        $this->post("/switches/$switch->id/season", $change + self::ASKED)->assertSessionHasErrors($field);
        self::assertSame(0, Season::query()->count());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'no days' => [['days' => '0'], 'days'];
        yield 'more than can be drawn' => [['days' => '365', 'blinks' => '9000'], 'days'];
        yield 'nothing to try' => [['versions' => [], 'turn' => ''], 'versions'];
        yield 'more than twenty' => [['turn_steps' => '20'], 'versions'];
        yield 'a drop-out above the pick-up' => [
            ['turn' => '/sensing/normal/under_voltage/dropout_pct', 'turn_from' => '80', 'turn_to' => '99'],
            'turn_from',
        ];
        yield 'half of the fuel' => [['loaded_burn' => ''], 'loaded_burn'];
        yield 'a setting that nobody turns' => [['turn' => '/transition'], 'turn'];
    }
}
