<?php

declare(strict_types=1);

use App\Console\Commands\DigestHeads;
use App\Console\Commands\SendNotices;
use App\Jobs\FreshenStatuses;
use App\Models\Company;
use App\Models\FleetFeed;
use App\Models\WebhookCall;
use Illuminate\Support\Facades\Schedule;

// On one node of several: the lock lies in the database.
Schedule::command(SendNotices::class)->hourly()->onOneServer()->withoutOverlapping();
// Only where a folder outside is named.
Schedule::command(DigestHeads::class)->dailyAt('00:40')->onOneServer()->when(static fn(): bool => (bool) config('app.digests'));
Schedule::call(FleetFeed::forget(...))->name('lines of devices')->dailyAt('00:55')->onOneServer();
Schedule::call(WebhookCall::forget(...))->name('webhook calls')->dailyAt('00:50')->onOneServer();
// What is due changes with the day: nobody waits for it on the first board of a morning.
Schedule::call(static function (): void {
    foreach (Company::query()->pluck('id') as $id) {
        FreshenStatuses::dispatch((int) $id);
    }
})->name('statuses')->dailyAt('00:10')->onOneServer();
