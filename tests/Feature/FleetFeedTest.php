<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\FleetFeed;
use App\Models\Role;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** A device that connects out: heard once, never shown as live when it is not, and by nobody's token but its own. */
final class FleetFeedTest extends TestCase
{
    private const NOW = '2026-11-27T14:35:00Z';

    private string $token = '';
    private TransferSwitch $switch;

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    #[Test]
    public function a_device_is_heard_and_falls_silent(): void
    {
        $this->begun();
        $this->schedule()->assertSee('Cellar')->assertSee('not heard yet');
        $this->report(self::line(1, self::NOW, '"position":"normal","v_normal":[120.4,121],"battery_v":12.62'))
            ->assertOk()->assertExactJson(['kept' => 1, 'known' => 0, 'refused' => []]);
        $this->schedule()->assertSee('heard 0 s ago')->assertSee('On utility')->assertSee('120.4/121')->assertSee('12.62')
            ->assertDontSee('is-past', false);
        Carbon::setTestNow(Carbon::parse(self::NOW)->addSeconds(180));
        $this->schedule()->assertSee('heard 3 min ago')->assertDontSee('is-past', false);
        Carbon::setTestNow(Carbon::parse(self::NOW)->addSeconds(181));
        $this->schedule()->assertSee('silent for 3 min: this was, and need not be so now')->assertSee('is-past', false);
        $this->report(self::line(2, '2026-11-27T14:38:01Z', '"position":"emergency","engine":"running","fault":"low fuel"'));
        $this->schedule()->assertSee('heard 0 s ago')->assertSee('On generator, engine runs')->assertSee('fault: low fuel')
            ->assertSee('Silent once in seven days')->assertSee('27 Nov 09:35 to 27 Nov 09:38'); // the hours of the site
    }

    #[Test]
    public function lines_out_of_its_store_are_taken_once_in_any_order_and_the_newest_is_what_is_shown(): void
    {
        $this->begun();
        $lines = [];
        foreach ([3, 1, 2] as $seq) {
            $lines[] = self::line($seq, "2026-11-27T14:3$seq:00Z", "\"run_h\":10$seq");
        }
        $this->report(implode("\r\n", $lines) . "\n\n")->assertJson(['kept' => 3, 'known' => 0]);
        $this->schedule()->assertSee('103');
        $this->report($lines[1])->assertJson(['kept' => 0, 'known' => 1]);
        $this->report(self::line(0, '2026-11-27T14:00:00Z', '"run_h":9'))->assertJson(['kept' => 1]);
        $this->schedule()->assertSee('103')->assertDontSee('Its clock');
        self::assertSame(4, DB::table('fleet_lines')->count());
    }

    #[Test]
    public function a_bad_line_is_named_and_the_others_are_kept(): void
    {
        $this->begun();
        $answer = $this->report(implode("\n", [
            self::line(1, self::NOW), 'no JSON', self::line(2, '2026-11-27T15:35:00Z'), self::line(3, self::NOW, '"mood":1'),
        ]))->assertOk()->assertJson(['kept' => 1]);
        self::assertSame([[2, ''], [3, '/at'], [4, '/mood']], array_map(
            static fn(array $one): array => [$one['line'], $one['path']],
            $answer->json('refused'),
        ));
        $this->report('')->assertStatus(413);
        $this->report(str_repeat("{}\n", 1001))->assertStatus(413);
    }

    #[Test]
    public function a_clock_that_is_off_and_a_device_that_is_made_up_are_said(): void
    {
        $this->begun();
        $this->report(self::line(1, '2026-11-27T14:05:00Z', '"simulated":true,"position":"normal"'));
        $this->schedule()->assertSee('Its clock is 30 min behind.')->assertSee('simulated');
    }

    #[Test]
    public function a_token_opens_its_own_feed_and_nothing_once_it_is_ended(): void
    {
        $this->begun();
        $this->call('POST', '/feed/report', content: self::line(1, self::NOW))->assertUnauthorized();
        $right = $this->token;
        $this->token = 'a guess';
        $this->report(self::line(1, self::NOW))->assertUnauthorized();
        $this->token = $right;
        $feed = FleetFeed::query()->sole();
        self::assertStringNotContainsString($right, (string) json_encode(DB::table('fleet_feeds')->get()));
        $this->get('/devices')->assertOk()->assertDontSee($right)->assertSee('Cellar');
        $other = $this->signIn(Role::Lead);
        $this->delete("/devices/feeds/$feed->id")->assertNotFound();
        $this->get('/devices')->assertDontSee('Cellar');
        $this->post('/devices/feeds', ['feed_switch' => $this->switch->id, 'feed_name' => 'x', 'interval_s' => 60])->assertNotFound();
        self::assertSame(0, FleetFeed::query()->withoutGlobalScope('company')->where('company_id', $other->company_id)->count());
        $this->actingAs(User::query()->oldest('id')->firstOrFail());
        $this->delete("/devices/feeds/$feed->id")->assertSessionHasNoErrors();
        $this->report(self::line(1, self::NOW))->assertUnauthorized();
    }

    #[Test]
    public function what_was_said_is_forgotten_after_forty_days(): void
    {
        $this->begun();
        $this->report(self::line(1, self::NOW));
        Carbon::setTestNow(Carbon::parse(self::NOW)->addDays(39));
        FleetFeed::forget();
        self::assertSame(1, DB::table('fleet_lines')->count());
        Carbon::setTestNow(Carbon::parse(self::NOW)->addDays(41));
        FleetFeed::forget();
        self::assertSame(0, DB::table('fleet_lines')->count());
        $this->schedule()->assertSee('silent for 41 days');
    }

    private static function line(int $seq, string $at, string $more = ''): string
    {
        return "{\"seq\":$seq,\"at\":\"$at\"" . ($more === '' ? '' : ",$more") . '}';
    }

    /** @return TestResponse<Response> */
    private function schedule(): TestResponse
    {
        return $this->get("/switches/{$this->switch->id}/schedule")->assertOk();
    }

    /** @return TestResponse<Response> */
    private function report(string $body): TestResponse
    {
        return $this->call('POST', '/feed/report', server: ['HTTP_AUTHORIZATION' => "Bearer $this->token"], content: $body);
    }

    private function begun(): void
    {
        Carbon::setTestNow(self::NOW);
        $this->switch = $this->switchOf($this->signIn());
        $this->post('/devices/feeds', ['feed_switch' => $this->switch->id, 'feed_name' => '', 'interval_s' => 5])
            ->assertSessionHasErrors(['feed_name', 'interval_s']);
        $this->post('/devices/feeds', ['feed_switch' => $this->switch->id, 'feed_name' => 'Cellar', 'interval_s' => 60])
            ->assertSessionHasNoErrors();
        $this->token = (string) session('feed-token');
        $this->get('/devices')->assertSee($this->token);
    }
}
