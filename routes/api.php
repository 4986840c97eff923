<?php

declare(strict_types=1);

use App\Http\Middleware\MayWrite;
use App\Http\Middleware\MayWriteForAll;
use App\Stage\Api;
use App\Stage\Commissioning;
use App\Stage\Handover;
use App\Stage\LoadTest;
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
        Route::get('/switches/{switch}/loads', Api\ShowLoads::class)->name('api.loads');
        Route::get('/switches/{switch}/load-tests', Api\ListLoadTests::class)->name('api.load-tests');
        Route::get('/runs/{run}', Handover\ExportRun::class)->name('api.run');
        Route::get('/runs/{run}/report', Handover\PrintReport::class)->name('api.run.report');
        Route::get('/load-tests/{test}', LoadTest\ExportTestReport::class)->name('api.load-test');
        Route::get('/load-tests/{test}/report', LoadTest\PrintTestReport::class)->name('api.load-test.report');
    });
    Route::middleware([CheckAbilities::class . ':write', MayWrite::class, Api\OnceByKey::class])->group(static function (): void {
        Route::post('/sites', Api\AddSite::class)->middleware(MayWriteForAll::class)->name('api.sites.add');
        Route::post('/switches/{switch}/runs', Api\AddRun::class)->name('api.runs.add');
        Route::put('/switches/{switch}/survey/{subject}', Api\SaveSurvey::class)
            ->whereIn('subject', Api\Description::SUBJECTS)->name('api.survey.save');
        Route::put('/switches/{switch}/loads', Api\SaveLoads::class)->name('api.loads.save');
        Route::post('/switches/{switch}/sheets', Api\AddSheet::class)->name('api.sheets.add');
        Route::post('/switches/{switch}/load-tests', Api\AddLoadTest::class)->name('api.load-tests.add');
        Route::post('/load-tests/{test}/readings', LoadTest\TakeReadings::class)->name('api.readings');
        Route::post('/runs/{run}/marks', Commissioning\TakeMarks::class)->name('api.marks');
        Route::post('/runs/{run}/answers', Commissioning\TakeAnswers::class)->name('api.answers');
    });
    Route::post('/calc/{name}', Api\Calculate::class)->where('name', '[a-z0-9_]{1,40}')
        ->middleware([CheckAbilities::class . ':calc', 'throttle:api-calc'])->name('api.calc');
});
