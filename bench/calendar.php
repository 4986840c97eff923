<?php

declare(strict_types=1);

// The calendar of many switches by day, week and month against the account page, in process; all of it inside a transaction that is taken
// back. Run after bin/start: php bench/calendar.php [switches]

use App\Models\Sheet;
use App\Models\Site;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\Upkeep;
use App\Models\WorkProfile;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

[$app, $company, $user] = require __DIR__ . '/lib/measured.php';
$count = (int) ($argv[1] ?? 500);
WorkProfile::query()->create(['company_id' => $company->id, 'user_id' => $user->id, 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'],
    'from' => '07:00', 'to' => '16:00', 'lat' => 0, 'lon' => 0, 'skills' => []]);
$kinds = [InstallationKind::WholeHouse, InstallationKind::EssentialCircuits, InstallationKind::TwoPanels, InstallationKind::FactoryControl];
for ($i = 0; $i < $count; $i++) {
    $kind = $kinds[$i % count($kinds)];
    $template = new SheetTemplate($kind);
    $site = Site::query()->create([
        'company_id' => $company->id, 'name' => "Measured Row $i", 'timezone' => ['America/New_York', 'America/Chicago'][$i % 2],
        'units' => 'us', 'installation' => $kind,
    ]);
    $switch = TransferSwitch::query()->create([
        'company_id' => $company->id, 'site_id' => $site->id, 'name' => 'Q1', 'application' => $template->application(),
        'plant' => $template->plant()->toArray(), 'rated_kw' => [],
    ]);
    Sheet::query()->create([
        'company_id' => $company->id, 'switch_id' => $switch->id, 'version' => 1, 'standing' => Standing::AsLeft, 'user_id' => $user->id,
        'settings' => $template->settings()->toWire(), 'habits' => ['exercise' => [
            'every' => ['weekly', 7, 14, 28][$i % 4], 'day' => ['mon', 'tue', 'wed', 'thu', 'fri'][$i % 5],
            'time' => sprintf('%02d:%02d', 9 + $i % 5, 15 * ($i % 4)), 'for_min' => 20, 'with_load' => $i % 4 === 0,
        ]],
    ]);
    Upkeep::query()->create([
        'company_id' => $company->id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'sleep_from' => '21:00', 'sleep_to' => '07:00',
        'attends_user_id' => $i % 10 === 0 ? $user->id : null,
    ]);
}
$kernel = $app->make(Kernel::class);
foreach (['/account', '/calendar?view=day', '/calendar?view=week', '/calendar?view=month'] as $path) {
    $times = [];
    for ($i = 0; $i < 9; $i++) {
        $app['auth']->forgetGuards();
        Auth::setUser($user);
        DB::flushQueryLog();
        DB::enableQueryLog();
        $from = hrtime(true);
        $answer = $kernel->handle(Request::create($path));
        $times[] = (hrtime(true) - $from) / 1e6;
    }
    sort($times);
    $told = [$path, $answer->getStatusCode(), $times[4], $times[0], count(DB::getQueryLog())];
    printf("%-24s %d  median %.0f ms  best %.0f  %d queries\n", ...$told);
}
DB::rollBack();
