<?php

declare(strict_types=1);

// The board and the fleet of many sites, two switches each, from their kept statuses, against the account page; all of it inside a
// transaction that is taken back. Run after bin/start: php bench/board.php [sites]

use App\Models\Sheet;
use App\Models\Site;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Stage\Board\StatusBook;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

[$app, $company, $user] = require __DIR__ . '/lib/measured.php';
$count = (int) ($argv[1] ?? 1000);
$kinds = InstallationKind::cases();
for ($i = 0; $i < $count; $i++) {
    $kind = $kinds[$i % count($kinds)];
    $template = new SheetTemplate($kind);
    $site = Site::query()->create([
        'company_id' => $company->id, 'name' => sprintf('Measured %04d', $i), 'timezone' => 'America/New_York', 'units' => 'us',
        'installation' => $kind,
    ]);
    for ($k = 1; $k <= 2; $k++) {
        $switch = TransferSwitch::query()->create([
            'company_id' => $company->id, 'site_id' => $site->id, 'name' => "Q$k", 'application' => $template->application(),
            'plant' => $template->plant()->toArray(), 'rated_kw' => ['diesel' => 40], 'fuel' => 'diesel', 'survey' => [],
        ]);
        Sheet::query()->create([
            'company_id' => $company->id, 'switch_id' => $switch->id, 'version' => 1, 'standing' => Standing::AsFound,
            'settings' => $template->settings()->toWire(), 'habits' => ['load_tests_per_year' => 4], 'user_id' => $user->id,
        ]);
    }
}
$from = hrtime(true);
(new StatusBook(Carbon::now()))->freshenAll();
printf("%d sites worked out, %.1f ms each\n", $count, (hrtime(true) - $from) / 1e6 / $count);
$kernel = $app->make(Kernel::class);
foreach (['/account', '/', '/?show=never&sort=test', '/?q=0999', '/?page=40', '/fleet', '/board.csv'] as $path) {
    $times = [];
    for ($i = 0; $i < 9; $i++) {
        $from = hrtime(true);
        $status = $kernel->handle(Request::create($path))->getStatusCode();
        $times[] = (hrtime(true) - $from) / 1e6;
    }
    sort($times);
    printf("%-26s %d  median %6.1f ms\n", $path, $status, $times[4]);
}
DB::rollBack();
