<?php

declare(strict_types=1);

use App\Http\Middleware\MayWrite;
use App\Http\Middleware\MayWriteForAll;
use App\Stage\Api;
use App\Stage\Commissioning;
use App\Stage\Handover;
use App\Stage\Plan;
use App\Stage\Settings;
use App\Stage\Upkeep;
use Illuminate\Support\Facades\Route;
use Laravel\Sanctum\Http\Middleware\CheckAbilities;

// What it can do, for everybody: it says nothing of anybody.
Route::get('/openapi.json', Api\ShowDescription::class)->middleware(['throttle:owner', 'cache.headers:etag'])->name('api.description');

Route::middleware(['throttle:api-token', 'auth:sanctum'])->group(static function (): void {
    Route::middleware([CheckAbilities::class . ':read', 'cache.headers:private;etag'])->group(static function (): void {
        Route::get('/sites', Api\ListSites::class)->name('api.sites');
        Route::get('/sites/{site}', Api\ShowSite::class)->name('api.site');
        Route::get('/switches/{switch}', Api\ShowSwitch::class)->name('api.switch');
        Route::get('/switches/{switch}/sheets/{version}', Settings\ExportSheet::class)->name('api.sheet');
        Route::get('/switches/{switch}/plan', Plan\ExportPlan::class)->name('api.plan');
        Route::get('/switches/{switch}/logbook', Upkeep\ExportLogbook::class)->defaults('form', 'json')->name('api.logbook');
        Route::get('/switches/{switch}/runs', Api\ListRuns::class)->name('api.runs');
        Route::get('/runs/{run}', Handover\ExportRun::class)->name('api.run');
    });
    Route::middleware([CheckAbilities::class . ':write', MayWrite::class, Api\OnceByKey::class])->group(static function (): void {
        Route::post('/sites', Api\AddSite::class)->middleware(MayWriteForAll::class)->name('api.sites.add');
        Route::post('/switches/{switch}/runs', Api\AddRun::class)->name('api.runs.add');
        Route::post('/runs/{run}/marks', Commissioning\TakeMarks::class)->name('api.marks');
        Route::post('/runs/{run}/answers', Commissioning\TakeAnswers::class)->name('api.answers');
    });
    Route::post('/calc/{name}', Api\Calculate::class)->where('name', '[a-z0-9_]{1,40}')
        ->middleware([CheckAbilities::class . ':calc', 'throttle:api-calc'])->name('api.calc');
});
