<?php

declare(strict_types=1);

use App\Console\Commands\SendNotices;
use Illuminate\Support\Facades\Schedule;

// On one node of several: the lock lies in the database.
Schedule::command(SendNotices::class)->hourly()->onOneServer()->withoutOverlapping();
