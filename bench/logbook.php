<?php

declare(strict_types=1);

// Pages of a logbook of many lines, and its search, against the account page; the lines are taken out again. They are written and
// not left in a transaction: rows that are not settled are read one by one. Run after bin/start: php bench/logbook.php [entries]

use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Console::class)->bootstrap();
config(['session.driver' => 'array', 'cache.default' => 'array']);

$count = (int) ($argv[1] ?? 20_000);
$user = User::query()->where('email', 'rosa@lantern.example')->firstOrFail();
Auth::setUser($user);
$switch = TransferSwitch::query()->firstOrFail();
$start = Carbon::parse('2020-01-01T00:00:00Z');
$words = ['mouse nest', 'loose lead', 'cold morning', 'neighbour rang', 'panel dry'];
$rows = array_map(static fn(int $i): array => [
    'id' => (string) Str::uuid(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
    'kind' => $i % 3 === 0 ? 'battery' : 'exercise', 'at' => $start->copy()->addHours(3 * $i),
    'fields' => $i % 3 === 0 ? '{"v":12.6,"state":"rest"}' : '{"done":true,"run_min":12}', 'note' => $words[$i % 5] . " $i",
    'source' => 'person',
], range(1, $count));
foreach (array_chunk($rows, 1000) as $some) {
    DB::table('log_entries')->insert($some);
}
$kernel = $app->make(Kernel::class);
$page = "/switches/$switch->id/logbook";
foreach (['/account', $page, "$page?page=300", "$page?find=mouse", "$page?find=nest+17770", "$page?only=battery&find=rang"] as $path) {
    $times = [];
    for ($i = 0; $i < 9; $i++) {
        $from = hrtime(true);
        $status = $kernel->handle(Request::create($path))->getStatusCode();
        $times[] = (hrtime(true) - $from) / 1e6;
    }
    $first = $times[0];
    sort($times);
    printf("%-44s %d  median %6.1f ms, first %7.1f ms\n", $path, $status, $times[4], $first);
}
foreach (array_chunk(array_column($rows, 'id'), 1000) as $some) {
    DB::table('log_entries')->whereIn('id', $some)->delete();
}
