<?php

declare(strict_types=1);

namespace Tests;

use App\Bridge\CircuitFacts;
use App\Models\Absence;
use App\Models\Bench;
use App\Models\Device;
use App\Models\DeviceProfile;
use App\Models\Equipment;
use App\Models\Feed;
use App\Models\FleetFeed;
use App\Models\HandoverLink;
use App\Models\ImportedRun;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\LogEntry;
use App\Models\Plan;
use App\Models\Run;
use App\Models\Season;
use App\Models\SeasonState;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\Visit;
use App\Models\Webhook;
use App\Stage\Circuit\KeepCircuit;
use Database\Seeders\DemoCircuits;
use Escapement\Core\Planning\PowerDownTasks;
use Escapement\Core\Planning\PowerDownWork;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Wire\Device\ProfileReader;
use Illuminate\Routing\Route;
use Illuminate\Support\Str;

/** Every route there is, and something of each kind that their addresses name. */
trait WalksRoutes
{
    /** @return list<array{string, Route}> */
    private function routes(): array
    {
        $routes = [];
        foreach ($this->app['router']->getRoutes()->getRoutes() as $route) {
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                if (preg_match('#^(storage|api)/#', $route->uri()) !== 1) { // of the API: ApiTest
                    $routes[] = [$method, $route];
                }
            }
        }

        return $routes;
    }

    /** @return array<string, int|string> */
    private function ids(int $site, int $switch, int $run): array
    {
        $keeper = User::query()->oldest('id')->firstOrFail();
        Plan::query()->create([
            'company_id' => $keeper->company_id, 'switch_id' => $switch, 'user_id' => $keeper->id, 'facts' => [],
            'power_down' => ['opens_at' => '2026-10-01T09:00'] + PowerDownTasks::usual(new PowerDownWork(InstallationKind::WholeHouse)),
        ]);
        config(['bench.port' => 5020]); // nobody listens there
        $hook = Webhook::query()->create([
            'company_id' => $keeper->company_id, 'user_id' => $keeper->id, 'url' => 'inside', 'events' => [], 'secret' => 's',
        ]);
        Bench::query()->create([
            'company_id' => $keeper->company_id, 'switch_id' => $switch, 'user_id' => $keeper->id, 'serial' => "B-$switch",
            'place' => Bench::query()->withoutGlobalScopes()->count(), 'kept' => [], 'stood_at' => now(),
        ]);
        $imported = ImportedRun::query()->create([
            'company_id' => $keeper->company_id,
            'user_id' => $keeper->id,
            'site' => 'Fern Hill 3',
            'head' => Run::query()->findOrFail($run)->head,
            'document' => $this->get("/runs/$run/report.json")->getContent(),
        ]);
        Run::query()->whereKey($run)->update(['signed_at' => now(), 'signed_name' => 'Ana', 'verdict' => 'pass']);
        $link = HandoverLink::query()->create([
            'company_id' => $keeper->company_id,
            'run_id' => $run,
            'user_id' => $keeper->id,
            'token_hash' => HandoverLink::hash('a-token'),
            'expires_at' => now()->addDay(),
        ]);
        $season = Season::query()->create([
            'company_id' => $keeper->company_id,
            'switch_id' => $switch,
            'user_id' => $keeper->id,
            'title' => 'a year',
            'input' => ['candidates' => []],
            'state' => SeasonState::Done,
            'result' => ['candidates' => []],
        ]);

        $plan = ['profile' => 'quarterly_house', 'nameplate_kw' => 10, 'fuel' => 'diesel'];
        $test = LoadTest::query()->create([
            'company_id' => $keeper->company_id, 'switch_id' => $switch, 'user_id' => $keeper->id, 'profile' => 'quarterly_house',
            'plan' => $plan, 'planned_for' => now(),
        ]);
        $circuit = (new DemoCircuits())->read('b');
        KeepCircuit::for(TransferSwitch::query()->findOrFail($switch), $keeper, CircuitFacts::written($circuit), '{}');
        $reading = LoadReading::query()->create([
            'id' => (string) Str::uuid(), 'company_id' => $keeper->company_id, 'load_test_id' => $test->id, 'user_id' => $keeper->id,
            'taken_at' => now(), 'v_v' => [120, 120], 'a_a' => [10, 10], 'hz' => 60,
        ]);

        $mark = LoadMark::query()->create([
            'id' => (string) Str::uuid(), 'company_id' => $keeper->company_id, 'load_test_id' => $test->id, 'user_id' => $keeper->id,
            'kind' => 'started', 'at' => now(),
        ]);
        $meter = Equipment::query()->create(['company_id' => $keeper->company_id, 'kind' => 'meter', 'name' => 'Fern Hill 3 meter']);
        $visit = Visit::query()->create([
            'company_id' => $keeper->company_id, 'switch_id' => $switch, 'items' => ['battery_test'], 'duration_min' => 30, 'skills' => [],
            'placed_user_id' => $keeper->id, 'placed_on' => '2026-12-01', 'begin_min' => 600, 'end_min' => 630,
        ]);
        $absence = Absence::query()->create([
            'company_id' => $keeper->company_id, 'from' => now(), 'to' => now(), 'words' => 'away',
        ]);
        [$feed, $token] = Feed::make($keeper, ['scope' => 'company']);
        $entry = LogEntry::query()->create([
            'id' => (string) Str::uuid(), 'company_id' => $keeper->company_id, 'switch_id' => $switch, 'user_id' => $keeper->id,
            'kind' => 'alarm', 'at' => now(), 'fields' => ['code' => 'overcrank'],
        ]);

        $profile = DeviceProfile::query()->create([
            'company_id' => $keeper->company_id, 'user_id' => $keeper->id, 'name' => 'Fern Hill 3 map',
            'profile' => ['format' => ProfileReader::FORMAT, 'rows' => [
                ['quantity' => 'hz', 'table' => 'holding', 'address' => 0, 'type' => 'u16'],
            ]],
        ]);
        $device = Device::query()->create([
            'company_id' => $keeper->company_id, 'user_id' => $keeper->id, 'device_profile_id' => $profile->id, 'switch_id' => $switch,
            'name' => 'Fern Hill 3 device', 'address' => '127.0.0.1', 'port' => 9, 'unit' => 1,
        ]);

        $heard = FleetFeed::query()->create([
            'company_id' => $keeper->company_id, 'user_id' => $keeper->id, 'switch_id' => $switch, 'name' => 'Fern Hill 3 box',
            'token_hash' => str_repeat('b', 64), 'interval_s' => 60,
        ]);

        return [
            'profile' => $profile->id, 'device' => $device->id, 'heard' => $heard->id,
            'entry' => $entry->id,
            'session' => str_repeat('a', 32),
            'key' => 1, 'hook' => $hook->id,
            'test' => $test->id,
            'reading' => $reading->id,
            'mark' => $mark->id,
            'visit' => $visit->id,
            'absence' => $absence->id,
            'feed' => $feed->id,
            'feed-token' => $token,
            'on' => '2026-12-01',
            'equipment' => $meter->id,
            'site' => $site,
            'switch' => $switch,
            'run' => $run,
            'version' => 1,
            'form' => 'csv',
            'person' => $keeper->id,
            'season' => $season->id,
            'imported' => $imported->id,
            'token' => 'a-token',
            'link' => $link->id,
            'photo' => $this->photoOf($keeper, $switch)->id,
            'size' => 'small',
            'subject' => 'place',
            'scenario' => $this->scenarioOf($keeper)->id,
            'recording' => $this->recordingOf($keeper)->id,
        ];
    }
}
