<?php

declare(strict_types=1);

// For tests/upgrade.sh: every page of every site of a database that was brought up from an earlier edition, as its lead sees it. Prints
// what is not as it should be, and fails.

use App\Models\Company;
use App\Models\LoadTest;
use App\Models\Run;
use App\Models\Site;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Console::class)->bootstrap();
config(['session.driver' => 'array', 'cache.default' => 'array']);
$kernel = $app->make(Kernel::class);
$wrong = $seen = 0;
foreach (Company::query()->get() as $company) {
    $lead = User::query()->where('company_id', $company->id)->where('role', 'lead')->firstOrFail();
    Auth::setUser($lead);
    $paths = ['/', '/fleet', '/calendar', '/visits', '/library', '/equipment', '/people', '/account', '/devices', '/board.csv'];
    foreach (Site::query()->with('switches')->get() as $site) {
        foreach (['service', 'panels', 'source', 'loads', 'place', 'rules', 'photos'] as $on) {
            $paths[] = "/sites/$site->id?on=$on";
        }
        foreach ($site->switches as $switch) {
            foreach (['plan', 'wires', 'landing', 'class', 'wiring', 'shedding', 'pack-list', 'power-down', 'settings', 'rehearsal',
                'season', 'commission', 'service', 'load-tests', 'schedule', 'logbook', 'plan.pdf', 'labels.pdf'] as $page) {
                $paths[] = "/switches/$switch->id/$page";
            }
        }
    }
    foreach (Run::query()->pluck('id') as $run) {
        array_push($paths, "/runs/$run", "/runs/$run/procedure", "/runs/$run/report", "/runs/$run/report.json", "/runs/$run/report.pdf");
    }
    foreach (LoadTest::query()->pluck('id') as $test) {
        array_push($paths, "/load-tests/$test", "/load-tests/$test/report", "/load-tests/$test/report.json");
    }
    foreach ($paths as $path) {
        $app['auth']->forgetGuards();
        Auth::setUser($lead);
        $answer = $kernel->handle(Request::create($path));
        $seen++;
        if ($answer->getStatusCode() !== 200 && ! ($answer->getStatusCode() === 302 && str_ends_with($path, '/service'))) {
            $wrong++;
            echo "$path: {$answer->getStatusCode()} " . ($answer->exception?->getMessage() ?? '') . "\n";
        }
    }
}
echo "$seen pages\n";
exit($wrong === 0 && $seen > 100 ? 0 : 1);
