<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Console\Commands\DescribeBench;
use App\Device\BenchHealth;
use App\Device\BenchStore;
use App\Device\Installation;
use App\Device\LineSession;
use App\Models\Bench;
use App\Models\Role;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use Tests\TestCase;

/** A site on the bench, where no daemon answers: what is kept for it, and what pages say then. */
final class BenchTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function each_kind_is_put_on_the_bench_by_one_press_and_the_page_says_that_nobody_answers(InstallationKind $kind): void
    {
        $switch = $this->known($kind);
        $this->get("/switches/$switch->id/bench")->assertOk()->assertSee('Put it on the bench');
        $this->post("/switches/$switch->id/bench")->assertRedirect();
        $bench = Bench::query()->sole();
        $played = new Installation($bench->kept, BenchStore::mono());

        self::assertSame('normal', $played->sample()['position']);
        self::assertSame($kind->value, $bench->kept['kind']);
        $this->get("/switches/$switch->id/bench")->assertOk()->assertSee('goes on by hand')->assertSee('5020');
        $this->get("/switches/$switch->id/bench/settings")->assertOk()->assertSee('Nobody answers');
        $this->post("/switches/$switch->id/bench/hand", ['coil' => 0, 'on' => 1])->assertRedirect();
        $this->post("/switches/$switch->id/bench/settings/found", ['seen_version' => 1])->assertSessionHasErrors('found');
        $this->post("/switches/$switch->id/bench/settings/write", ['version' => 1, 'revision' => 1, 'confirm' => $bench->serial])
            ->assertSessionHasErrors('device');
        $this->get("/switches/$switch->id/bench/log.csv")->assertRedirect();
        $this->get('/benches')->assertOk()->assertSee($switch->site->name)->assertSee($bench->serial)->assertSee('Nobody answers');
    }

    #[Test]
    public function the_list_says_how_the_daemon_is_or_that_it_is_silent(): void
    {
        $this->signIn();
        $this->get('/benches')->assertOk()->assertSee('None stands.')->assertSee('No daemon has said anything');
        $said = Carbon::parse('2026-11-27 10:00:00');
        $this->travelTo($said->copy()->addMinutes(3));
        (new BenchStore())->tellHealth(new BenchHealth($said, Carbon::now(), 1, 4, 41.53));
        $this->travel(7)->seconds();
        $this->get('/benches')->assertSeeText('runs since 27 Nov 10:00 UTC')->assertSeeText('1 bench of everybody, 4 connected')
            ->assertSeeText('41.5 MB. Said 7 s ago.');
        $this->travel(2)->minutes();
        $this->get('/benches')->assertSee('No daemon has said anything');
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function what_is_not_known_is_said_and_nothing_stands(): void
    {
        $switch = $this->switchOf($this->signIn());
        $switch->update(['fuel' => null]);
        $this->get("/switches/$switch->id/bench")->assertOk()->assertSee('Fuel and rating of the source are not known.');
        $this->post("/switches/$switch->id/bench")->assertRedirect();
        self::assertSame(0, Bench::query()->count());
        $this->get("/switches/$switch->id/bench/live")->assertNotFound();
    }

    #[Test]
    public function another_bench_of_the_same_switch_takes_its_place_and_others_have_ports_of_their_own(): void
    {
        $switch = $this->known(InstallationKind::WholeHouse);
        $this->post("/switches/$switch->id/bench");
        $first = Bench::query()->sole();
        $other = $this->known(InstallationKind::TwoPanels, isSignedIn: true);
        $this->post("/switches/$other->id/bench");
        $this->post("/switches/$switch->id/bench");
        $again = Bench::query()->where('switch_id', $switch->id)->sole();

        self::assertSame($first->place, $again->place);
        self::assertNotSame($first->serial, $again->serial);
        self::assertSame([0, 1], Bench::query()->orderBy('place')->pluck('place')->all());
        $this->delete("/switches/$switch->id/bench")->assertRedirect();
        self::assertSame(1, Bench::query()->count());
    }

    #[Test]
    public function who_only_looks_puts_nothing_up_and_turns_nothing(): void
    {
        $switch = $this->known(InstallationKind::WholeHouse);
        $this->post("/switches/$switch->id/bench");
        User::query()->findOrFail(auth()->id())->update(['role' => Role::Viewer]);
        $this->actingAs(User::query()->findOrFail(auth()->id()));
        $this->get("/switches/$switch->id/bench")->assertOk()->assertDontSee('Take it down');
        $this->post("/switches/$switch->id/bench/hand", ['coil' => 0, 'on' => 1])->assertForbidden();
        $this->delete("/switches/$switch->id/bench")->assertForbidden();
    }

    /** @param array<string, mixed> $typed */
    #[Test, DataProvider('nonsense')]
    public function what_is_typed_at_a_knob_and_is_none_is_said_at_its_field(array $typed, string $field): void
    {
        $switch = $this->known(InstallationKind::WholeHouse);
        $this->post("/switches/$switch->id/bench");
        $this->post("/switches/$switch->id/bench/hand", $typed)->assertSessionHasErrors($field);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        yield 'volts that are words' => [['do' => 'utility', 'v' => ['many', 120]], 'v.0'];
        yield 'volts below nothing' => [['do' => 'utility', 'v' => [-1, 120]], 'v.0'];
        yield 'hertz without end' => [['do' => 'utility', 'hz' => '1e99'], 'hz'];
        yield 'a rate of 61' => [['rate' => 61], 'rate'];
        yield 'a lever that is none' => [['coil' => 999], 'coil'];
        yield 'another thing to do' => [['do' => 'kick'], 'do'];
    }

    #[Test]
    public function what_the_daemon_wrote_down_is_begun_again(): void
    {
        $switch = $this->known(InstallationKind::WholeHouse);
        $this->post("/switches/$switch->id/bench");
        $bench = Bench::query()->sole();
        $store = new BenchStore();
        [$played, $place] = $store->read($bench->id) ?? self::fail('It stands.');
        $played->input(['do' => 'door', 'open' => true]);
        self::assertTrue($store->write($bench->id, $played));
        [$again] = $store->read($bench->id) ?? self::fail('It stands.');

        self::assertSame($bench->place, $place);
        self::assertContains('door_open', $again->sample()['alarms']);
        self::assertArrayHasKey($bench->id, $store->present());
        self::assertSame(1, LineSession::PROTOCOL);
    }

    #[Test]
    public function two_daemons_do_not_serve_the_same_benches(): void
    {
        $other = DB::connectUsing('other', config()->array('database.connections.' . config()->string('database.default')));
        self::assertSame(1, (int) $other->scalar('SELECT GET_LOCK(?, 0)', ['bench/' . DB::connection()->getDatabaseName()]));
        self::assertFalse((new BenchStore())->claim());
        $this->artisan('bench:serve', ['--port' => 17_020])->assertFailed();
        $other->disconnect();
        self::assertTrue((new BenchStore())->claim());
    }

    #[Test]
    public function the_published_map_is_what_the_code_works_by(): void
    {
        foreach (DescribeBench::files() as $path => $text) {
            self::assertSame($text, File::get($path), "$path: run php artisan bench:describe");
        }
    }

    private function known(InstallationKind $kind, bool $isSignedIn = false): TransferSwitch
    {
        $user = $isSignedIn ? User::query()->findOrFail(auth()->id()) : $this->signIn();
        $switch = $this->switchOf($user, $kind);
        if ($kind->hasGenerator()) {
            $switch->update(['fuel' => 'lp', 'rated_kw' => ['lp' => 20]]);
        }
        config(['bench.host' => '127.0.0.1', 'bench.port' => 15_020 - 10_000]); // nobody listens there

        return $switch;
    }
}
