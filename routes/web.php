<?php

declare(strict_types=1);

use App\Http\Middleware\ByLink;
use App\Http\Middleware\MayLead;
use App\Http\Middleware\MaySign;
use App\Http\Middleware\MayWrite;
use App\Http\Middleware\MayWriteForAll;
use App\Http\Middleware\StillHere;
use App\Stage\Account;
use App\Stage\Account\Pin\FullSignIn;
use App\Stage\Bench;
use App\Stage\Board;
use App\Stage\Calendar;
use App\Stage\Circuit;
use App\Stage\Commissioning;
use App\Stage\Devices;
use App\Stage\Equipment;
use App\Stage\Fleet;
use App\Stage\FleetFeed;
use App\Stage\Handover;
use App\Stage\Library;
use App\Stage\LoadTest;
use App\Stage\Meters;
use App\Stage\Notices;
use App\Stage\Panel;
use App\Stage\People;
use App\Stage\Plan;
use App\Stage\Rehearsal;
use App\Stage\Season;
use App\Stage\Settings;
use App\Stage\SiteImport;
use App\Stage\Survey;
use App\Stage\Upkeep;
use App\Stage\Visits;
use App\Stage\Webhooks;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(static function (): void {
    Route::get('/login', Account\ShowSignIn::class)->name('login');
    Route::post('/login', Account\SignIn::class);
    Route::get('/login/code', Account\SecondFactor\AskCode::class)->name('second-factor');
    Route::post('/login/code', Account\SecondFactor\TakeCode::class)->name('second-factor.take');
});

// For calendar programs, which have no account: an address that can be ended.
Route::get('/feed/{token}.ics', Calendar\ReadFeed::class)->middleware('throttle:owner')->name('feed');

// One-time links: to begin, to join, to choose another password.
Route::middleware('throttle:owner')->group(static function (): void {
    Route::get('/join/{token}', Account\ShowJoin::class)->name('join');
    Route::post('/join/{token}', Account\Join::class)->name('join.use');
});

// For owners, who have no account: a link that ends by itself, and can be ended.
Route::middleware(['throttle:owner', ByLink::class])->group(static function (): void {
    Route::get('/owner/{token}', Handover\ShowOwner::class)->name('owner');
    Route::post('/owner/{token}/report', Handover\TakeOwnerReport::class)->middleware('throttle:owner-report')->name('owner.report');
    Route::get('/owner/{token}/handover.pdf', Handover\PrintOwner::class)->name('owner.pdf');
    Route::get('/owner/{token}/dates.ics', Handover\ExportDates::class)->name('owner.dates');
});

Route::middleware(['auth', StillHere::class])->group(static function (): void {
    Route::post('/logout', Account\SignOut::class)->name('logout');
    Route::get('/account', Account\ShowAccount::class)->name('account');
    Route::get('/change', Account\Pin\ShowChange::class)->name('change');
    Route::post('/change', Account\Pin\ChangePerson::class)->name('change.person');
    Route::get('/change/password', Account\Pin\AskPassword::class)->name('change.password');
    Route::post('/change/password', Account\Pin\TakePassword::class)->name('change.password.take');
    Route::middleware(FullSignIn::class)->group(static function (): void {
        Route::delete('/account/sessions/{session}', Account\EndSession::class)->where('session', '[0-9a-f]{32}')->name('session.end');
        Route::get('/account/second-factor', Account\SecondFactor\SetUp::class)->name('second-factor.set-up');
        Route::put('/account/second-factor', Account\SecondFactor\TurnOn::class)->middleware('throttle:password')
            ->name('second-factor.on');
        Route::delete('/account/second-factor', Account\SecondFactor\TurnOff::class)->middleware('throttle:password')
            ->name('second-factor.off');
        Route::post('/account/tokens', Account\MakeToken::class)->middleware('throttle:password')->name('tokens');
        Route::delete('/account/tokens/{key}', Account\EndToken::class)->name('token.end');
        Route::put('/account/password', Account\ChangePassword::class)->middleware('throttle:password')->name('password');
        Route::put('/account/pin', Account\Pin\SetPin::class)->middleware('throttle:password')->name('pin.set');
        Route::delete('/account/pin', Account\Pin\ForgetPin::class)->name('pin.forget');
    });

    Route::get('/notices', Notices\ShowNotices::class)->name('notices');
    Route::put('/notices', Notices\ChooseNotices::class)->name('notices.choose');

    Route::get('/', Board\ShowBoard::class)->name('board');
    Route::get('/board.csv', Board\ExportBoard::class)->name('board.csv');
    Route::post('/board/views', Board\KeepView::class)->name('board.keep');
    Route::delete('/board/views', Board\ForgetView::class)->name('board.forget');
    Route::get('/sites/{site}', Survey\ShowSurvey::class)->name('survey');
    Route::get('/switches/{switch}/loads.csv', Survey\ExportLoads::class)->name('loads.export');
    Route::get(
        '/photos/{photo}/{size}.jpg',
        Survey\ShowPhoto::class,
    )->whereUuid('photo')->whereIn('size', ['full', 'small'])->name('photo');
    Route::get('/library/loads', Survey\ShowTypicalLoads::class)->name('typical-loads');
    Route::get('/switches/{switch}/plan', Plan\ShowPlan::class)->name('plan');
    Route::get('/switches/{switch}/wires', Plan\ShowWires::class)->name('wires');
    Route::get('/switches/{switch}/landing', Plan\ShowLanding::class)->name('landing');
    Route::get('/switches/{switch}/class', Plan\ShowClass::class)->name('class');
    Route::get('/switches/{switch}/wiring', Plan\Wiring\ShowWiring::class)->name('wiring');
    Route::get('/switches/{switch}/wiring.pdf', Plan\Wiring\PrintWiring::class)->name('wiring.pdf');
    Route::get('/visits', Visits\ShowVisits::class)->name('visits');
    Route::get('/my-day', Visits\ShowMyDay::class)->name('my-day');
    Route::get('/visits/{person}/{on}.pdf', Visits\PrintDay::class)->where('on', '\d{4}-\d{2}-\d{2}')->name('visits.day');
    Route::get('/calendar', Calendar\ShowCalendar::class)->name('calendar');
    Route::get('/fleet', Fleet\ShowFleet::class)->name('fleet');
    Route::get('/fleet.csv', Fleet\ExportFleet::class)->name('fleet.export');
    Route::get('/devices', Devices\ShowDevices::class)->name('devices');
    Route::get('/devices/profiles/{profile}.{form}', Devices\ExportProfile::class)
        ->whereIn('form', ['csv', 'json'])->name('devices.profile');
    Route::get('/benches', Bench\ShowBenches::class)->name('benches');
    Route::get('/switches/{switch}/bench', Bench\ShowBench::class)->name('bench');
    Route::get('/switches/{switch}/bench/live', Bench\ShowLive::class)->name('bench.live');
    Route::get('/switches/{switch}/bench/settings', Bench\ShowDeviceSettings::class)->name('bench.settings');
    Route::get('/switches/{switch}/bench/log.csv', Bench\ExportLog::class)->name('bench.log');
    Route::get('/switches/{switch}/schedule', Upkeep\ShowSchedule::class)->name('schedule');
    Route::get('/switches/{switch}/schedule.ics', Upkeep\ExportExercises::class)->name('schedule.ics');
    Route::get('/switches/{switch}/logbook', Upkeep\ShowLogbook::class)->name('logbook');
    Route::get('/switches/{switch}/logbook.{form}', Upkeep\ExportLogbook::class)->whereIn('form', ['json', 'csv'])->name('logbook.export');
    Route::get('/switches/{switch}/meters', Meters\ShowMeters::class)->name('meters');
    Route::get('/switches/{switch}/ways', Panel\ShowWays::class)->name('ways');
    Route::get('/switches/{switch}/ways.csv', Panel\ExportWays::class)->name('ways.export');
    Route::get('/switches/{switch}/circuit', Circuit\ShowCircuit::class)->name('circuit');
    Route::get('/switches/{switch}/circuit/play', Circuit\PlayCircuit::class)->name('circuit.play');
    Route::get('/switches/{switch}/circuit/terminals', Circuit\ShowTerminals::class)->name('circuit.terminals');
    Route::get('/switches/{switch}/circuit/terminals.pdf', Circuit\PrintTerminals::class)->name('circuit.terminals.pdf');
    Route::get('/switches/{switch}/circuit.{form}', Circuit\ExportCircuit::class)
        ->whereIn('form', ['json', 'svg'])->name('circuit.export');
    Route::get('/switches/{switch}/shedding', Plan\ShowShedding::class)->name('shedding');
    Route::get('/switches/{switch}/mobile', Plan\ShowMobile::class)->name('mobile');
    Route::get('/switches/{switch}/pack-list', Plan\ShowPackList::class)->name('pack-list');
    Route::get('/switches/{switch}/plan.pdf', Plan\PrintPlan::class)->name('plan.pack');
    Route::get('/switches/{switch}/one-line.pdf', Plan\PrintOneLine::class)->name('plan.pdf');
    Route::get('/switches/{switch}/power-down', Plan\ShowPowerDown::class)->name('power-down');
    Route::get('/switches/{switch}/power-down.pdf', Plan\PrintPowerDown::class)->name('power-down.pdf');
    Route::get('/switches/{switch}/power-down.ics', Plan\ExportPowerDown::class)->name('power-down.ics');
    Route::get('/switches/{switch}/plan.svg', Plan\ExportOneLine::class)->name('plan.svg');
    Route::get('/switches/{switch}/plan.json', Plan\ExportPlan::class)->name('plan.export');
    Route::get('/switches/{switch}/settings', Settings\ShowSheet::class)->name('sheet');
    Route::get('/switches/{switch}/settings/difference', Settings\ShowDifference::class)->name('difference');
    Route::get('/switches/{switch}/settings/{version}.json', Settings\ExportSheet::class)->name('sheet.export');
    Route::match(['get', 'post'], '/switches/{switch}/rehearsal', Rehearsal\ShowRehearsal::class)->name('rehearsal');
    Route::get('/switches/{switch}/by-hand', Bench\ShowHands::class)->name('hands');
    Route::post(
        '/switches/{switch}/rehearsal.{form}',
        Rehearsal\ExportRehearsal::class,
    )->whereIn('form', ['svg', 'csv', 'json', 'utility', 'cff'])->name('rehearsal.export');
    Route::get('/equipment', Equipment\ShowEquipment::class)->name('equipment');
    Route::get('/library', Library\ShowLibrary::class)->name('library');
    Route::get('/library/scenarios/{scenario}.json', Library\ExportScenario::class)->name('scenarios.export');
    Route::get('/library/recordings/{recording}', Library\ShowRecording::class)->name('recording');
    Route::get(
        '/library/recordings/{recording}.{form}',
        Library\ExportRecording::class,
    )->whereIn('form', ['csv', 'cff'])->name('recording.export');
    Route::get('/switches/{switch}/season', Season\ShowSeasons::class)->name('seasons');
    Route::get('/seasons/{season}', Season\ShowSeason::class)->name('season');
    Route::get('/seasons/{season}.json', Season\ExportSeason::class)->name('season.export');
    Route::get('/switches/{switch}/labels.pdf', Handover\PrintLabels::class)->name('labels');
    Route::get('/switches/{switch}/commission', Commissioning\ShowRuns::class)->name('runs');
    Route::get('/switches/{switch}/service', Commissioning\ShowService::class)->name('service');
    Route::get('/switches/{switch}/load-tests', LoadTest\ShowLoadTests::class)->name('load-tests');
    Route::get('/load-tests/{test}', LoadTest\ShowLoadTest::class)->name('load-test');
    Route::get('/load-tests/{test}/read', LoadTest\ShowReading::class)->name('load-test.screen');
    Route::get('/load-tests/{test}/report', LoadTest\ShowTestReport::class)->name('load-test.report');
    Route::get('/load-tests/{test}/report.pdf', LoadTest\PrintTestReport::class)->name('load-test.report.pdf');
    Route::get('/load-tests/{test}/report.json', LoadTest\ExportTestReport::class)->name('load-test.report.json');
    Route::get('/load-tests/{test}/plan.pdf', LoadTest\PrintLoadTest::class)->name('load-test.pdf');
    Route::get('/load-tests/{test}/plan.csv', LoadTest\ExportTestPlan::class)->name('load-test.plan.csv');
    Route::get('/load-tests/{test}/readings.csv', LoadTest\ExportLoadTest::class)->name('load-test.csv');
    Route::get('/load-tests/{test}/date.ics', LoadTest\ExportTestDate::class)->name('load-test.ics');
    Route::get('/runs/{run}', Commissioning\ShowStopwatch::class)->name('run');
    Route::get('/runs/{run}/procedure', Commissioning\ShowProcedure::class)->name('procedure');
    Route::get('/runs/{run}/device', Bench\CompareMarks::class)->name('run.device');
    Route::get('/runs/{run}/isolation.pdf', Handover\PrintIsolation::class)->name('isolation');
    Route::get('/runs/{run}/sheet', Commissioning\ShowAnswerSheet::class)->name('procedure.sheet');
    Route::get('/runs/{run}/verdict', Commissioning\ShowVerdict::class)->name('run.verdict');
    Route::get('/runs/{run}/parts', Commissioning\ShowParts::class)->name('run.parts');
    Route::get('/runs/{run}/report', Handover\ShowReport::class)->name('report');
    Route::get('/runs/{run}/report.pdf', Handover\PrintReport::class)->name('report.pdf');
    Route::get('/runs/{run}/measurements.csv', Handover\ExportMeasurements::class)->name('measurements');
    Route::get('/runs/{run}/report.json', Handover\ExportRun::class)->name('report.json');

    Route::get('/library/runs/{imported}', Handover\ShowImportedRun::class)->name('imported');
    Route::get('/library/runs/{imported}.pdf', Handover\PrintImportedRun::class)->name('imported.pdf');

    Route::middleware([MayLead::class, FullSignIn::class])->group(static function (): void {
        Route::put('/fleet/season', Fleet\SaveStormSeason::class)->name('fleet.season');
        Route::get('/people', People\ShowPeople::class)->name('people');
        Route::put('/devices/networks', Devices\SaveNetworks::class)->name('devices.networks');
        Route::put('/company', People\SaveCompany::class)->name('company.save');
        Route::get('/webhooks', Webhooks\ShowWebhooks::class)->name('webhooks');
        Route::post('/webhooks', Webhooks\AddWebhook::class)->name('webhook.add');
        Route::post('/webhooks/{hook}/try', Webhooks\TryWebhook::class)->middleware('throttle:uploads')->name('webhook.try');
        Route::delete('/webhooks/{hook}', Webhooks\RemoveWebhook::class)->name('webhook.remove');
        Route::post('/people', People\AddPerson::class)->name('people.add');
        Route::post('/people/{person}/link', People\MakeResetLink::class)->name('people.link');
        Route::put('/people/{person}/guest', People\NameSites::class)->name('people.guest');
        Route::delete('/people/{person}/second-factor', People\ForgetSecondFactor::class)->name('people.second-factor');
        Route::put('/people/{person}', People\ChangePerson::class)->name('people.change');
    });

    Route::middleware(MayWrite::class)->group(static function (): void {
        // The whole company's: its sites, people, equipment, plans of visits, library.
        Route::middleware(MayWriteForAll::class)->group(static function (): void {
            Route::get('/sites/new', Survey\NewSite::class)->name('sites.new');
            Route::post('/sites', Survey\CreateSite::class)->name('sites');
            Route::get('/sites/import', SiteImport\ShowImport::class)->name('sites.import');
            Route::post('/sites/import/look', SiteImport\ShowImport::class)->name('sites.import.look');
            Route::post('/sites/import', SiteImport\TakeSites::class)->middleware('throttle:uploads')->name('sites.import.take');
            Route::get('/pictures', SiteImport\ShowPictures::class)->name('pictures');
            Route::post('/pictures/look', SiteImport\LookAtNames::class)->name('pictures.look');
            Route::post('/pictures', SiteImport\TakePicture::class)->middleware('throttle:uploads')->name('pictures.take');
            Route::put('/library/loads', Survey\SaveTypicalLoads::class)->name('typical-loads.save');
            Route::post('/visits', Visits\AddVisit::class)->name('visits.add');
            Route::post('/visits/collect', Visits\CollectVisits::class)->name('visits.collect');
            Route::post('/fleet/visits', Fleet\PlanStorm::class)->name('fleet.visits');
            Route::post('/visits/plan', Visits\BeginPlanning::class)->name('visits.plan');
            Route::put('/visits/{visit}', Visits\MoveVisit::class)->name('visit.move');
            Route::post('/absences/import', Calendar\ImportAbsences::class)->name('absences.import');
            Route::post('/switches/{switch}/circuit/template', Circuit\KeepTemplate::class)->name('circuit.template');
            Route::post('/switches/{switch}/scenarios', Rehearsal\SaveScenario::class)->name('scenarios.save');
            Route::post('/library/scenarios', Library\ImportScenario::class)->name('scenarios.import');
            Route::delete('/library/scenarios/{scenario}', Library\RemoveScenario::class)->name('scenarios.remove');
            Route::post('/library/runs', Handover\ImportRun::class)->name('imported.add');
            Route::delete('/library/runs/{imported}', Handover\RemoveImportedRun::class)->name('imported.remove');
            Route::post('/library/recordings', Library\ImportRecording::class)->middleware('throttle:uploads')->name('recordings');
            Route::post('/library/recordings/look', Library\LookAtRecording::class)->name('recordings.look');
            Route::delete('/library/recordings/{recording}', Library\RemoveRecording::class)->name('recording.remove');
            Route::post('/devices/feeds', FleetFeed\AddFleetFeed::class)->name('fleet-feed.add');
            Route::delete('/devices/feeds/{heard}', FleetFeed\EndFleetFeed::class)->name('fleet-feed.end');
            Route::post('/devices/read', Devices\TestRead::class)->middleware('throttle:uploads')->name('devices.read');
            Route::delete('/devices/{device}', Devices\RemoveDevice::class)->name('devices.remove');
            Route::post('/devices/profiles', Devices\AddProfile::class)->middleware('throttle:uploads')->name('devices.profile.add');
            Route::delete('/devices/profiles/{profile}', Devices\RemoveProfile::class)->name('devices.profile.remove');
            Route::post('/equipment', Equipment\AddEquipment::class)->name('equipment.add');
            Route::put('/equipment/{equipment}', Equipment\ChangeEquipment::class)->name('equipment.change');
            Route::delete('/equipment/{equipment}', Equipment\RetireEquipment::class)->name('equipment.retire');
        });
        // A name under it.
        Route::middleware([MaySign::class, FullSignIn::class])->group(static function (): void {
            Route::post('/load-tests/{test}/close', LoadTest\CloseLoadTest::class)->name('load-test.close');
            Route::post('/runs/{run}/link', Handover\MakeLink::class)->name('link.make');
            Route::delete('/links/{link}', Handover\RevokeLink::class)->name('link.revoke');
            Route::post('/runs/{run}/sign', Commissioning\SignRun::class)->name('sign');
        });
        Route::post('/sites/{site}/switches', Survey\AddSwitch::class)->name('switches');
        Route::put('/switches/{switch}/loads', Survey\SaveLoads::class)->name('loads.save');
        Route::post('/switches/{switch}/loads', Survey\PutInLoads::class)->name('loads.put-in');
        Route::put(
            '/switches/{switch}/survey/{subject}',
            Survey\SavePage::class,
        )->whereIn('subject', ['service', 'panels', 'source', 'place', 'rules'])->name('answers.save');
        Route::post('/switches/{switch}/photos', Survey\AddPhotos::class)->middleware('throttle:uploads')->name('photos');
        Route::put('/photos/{photo}', Survey\ChangePhoto::class)->whereUuid('photo')->name('photo.change');
        Route::delete('/photos/{photo}', Survey\RemovePhoto::class)->whereUuid('photo')->name('photo.remove');
        Route::post('/visits/{visit}/done', Visits\FinishVisit::class)->name('visit.finish');
        Route::post('/switches/{switch}/shift', Calendar\ShiftExercise::class)->name('calendar.shift');
        Route::post('/feeds', Calendar\MakeFeed::class)->name('feeds');
        Route::delete('/feeds/{feed}', Calendar\RevokeFeed::class)->name('feed.revoke');
        Route::put('/people/{person}/hours', Calendar\SaveProfile::class)->name('profile.save');
        Route::post('/absences', Calendar\AddAbsence::class)->name('absences');
        Route::delete('/absences/{absence}', Calendar\RemoveAbsence::class)->name('absence.remove');
        Route::put('/switches/{switch}/intervals', Upkeep\SaveIntervals::class)->name('intervals.save');
        Route::put('/switches/{switch}/upkeep', Upkeep\SaveUpkeep::class)->name('upkeep.save');
        Route::post('/switches/{switch}/events', Upkeep\ImportEvents::class)->middleware('throttle:uploads')->name('events.import');
        Route::post('/switches/{switch}/events/look', Upkeep\LookAtEvents::class)->name('events.look');
        Route::post('/switches/{switch}/logbook', Upkeep\AddEntry::class)->name('logbook.add');
        Route::post('/switches/{switch}/logbook/{entry}/read', Upkeep\ReadReport::class)->whereUuid('entry')->name('logbook.read');
        Route::post('/switches/{switch}/logbook/batch', Upkeep\TakeEntries::class)->name('logbook.batch');
        Route::post('/switches/{switch}/logbook/{entry}/photos', Upkeep\TakeEntryPhoto::class)
            ->whereUuid('entry')->middleware('throttle:uploads')->name('logbook.photos');
        Route::delete('/switches/{switch}/logbook/{entry}', Upkeep\StrikeEntry::class)->whereUuid('entry')->name('logbook.strike');
        Route::post('/switches/{switch}/meters', Meters\AddMeterReading::class)->name('meters.read');
        Route::put('/switches/{switch}/capacitors', Meters\SaveBank::class)->name('meters.bank');
        Route::put('/switches/{switch}/ways', Panel\SaveWays::class)->name('ways.save');
        Route::put('/switches/{switch}/board', Panel\SaveBoard::class)->name('board.save');
        Route::post('/switches/{switch}/ways/balance', Panel\BalanceWays::class)->name('ways.balance');
        Route::post('/switches/{switch}/ways/move', Panel\MoveWay::class)->name('ways.move');
        Route::post('/switches/{switch}/circuit', Circuit\BeginCircuit::class)->name('circuit.begin');
        Route::get('/switches/{switch}/circuit/edit', Circuit\EditCircuit::class)->name('circuit.edit');
        Route::post('/switches/{switch}/circuit/draft', Circuit\ChangeDraft::class)->name('circuit.draft');
        Route::put('/switches/{switch}/circuit', Circuit\SaveCircuit::class)->name('circuit.save');
        Route::post('/switches/{switch}/circuit/repair', Circuit\RepairCircuit::class)->name('circuit.repair');
        Route::post('/switches/{switch}/circuit/prove', Circuit\ProveAgain::class)->name('circuit.prove');
        Route::post('/switches/{switch}/circuit/cancel', Circuit\CancelProof::class)->name('circuit.cancel');
        Route::put('/switches/{switch}/circuit/times', Circuit\SaveTimes::class)->name('circuit.times');
        Route::put('/switches/{switch}/plan', Plan\SavePlan::class)->name('plan.save');
        Route::put('/switches/{switch}/power-down', Plan\SavePowerDown::class)->name('power-down.save');
        Route::put('/switches/{switch}/elements', Plan\SaveElements::class)->name('elements.save');
        Route::put('/switches/{switch}/landing', Plan\SaveLanding::class)->name('landing.save');
        Route::put('/switches/{switch}/shedding', Plan\SaveShedding::class)->name('shedding.save');
        Route::post('/switches/{switch}/shedding', Plan\PutShedding::class)->name('shedding.put');
        Route::put('/switches/{switch}/mobile', Plan\SaveMobile::class)->name('mobile.save');
        Route::post('/switches/{switch}/mobile/charger', Plan\ShedCharger::class)->name('mobile.charger');
        Route::put('/switches/{switch}/pack-list', Plan\SavePackList::class)->name('pack-list.save');
        Route::post('/switches/{switch}/pack-list/tick', Plan\TickPackLine::class)->name('pack-list.tick');
        Route::put('/switches/{switch}/wires', Plan\SaveWires::class)->name('wires.save');
        Route::post('/switches/{switch}/settings', Settings\SaveSheet::class)->name('sheet.save');
        Route::post('/switches/{switch}/settings/import', Settings\ImportSheet::class)->name('sheet.import');
        Route::post('/switches/{switch}/settings/circuit', Settings\TakeFromCircuit::class)->name('sheet.circuit');
        Route::post('/switches/{switch}/season', Season\BeginSeason::class)->name('seasons.begin');
        Route::post('/seasons/{season}/cancel', Season\CancelSeason::class)->name('season.cancel');
        Route::post('/seasons/{season}/adopt', Season\AdoptCandidate::class)->name('season.adopt');
        Route::post('/switches/{switch}/bench', Bench\PutOnBench::class)->name('bench.put');
        Route::delete('/switches/{switch}/bench', Bench\TakeOffBench::class)->name('bench.take-off');
        Route::post('/switches/{switch}/bench/settings/found', Bench\KeepFound::class)->name('bench.settings.found');
        Route::post('/switches/{switch}/bench/settings/write', Bench\WriteToDevice::class)->name('bench.settings.write');
        Route::post('/switches/{switch}/bench/hand', Bench\PressHand::class)->name('bench.hand');
        Route::post('/switches/{switch}/commission', Commissioning\BeginRun::class)->name('runs.begin');
        Route::post('/switches/{switch}/service', Commissioning\BeginService::class)->name('service.begin');
        Route::post('/switches/{switch}/load-tests', LoadTest\PlanLoadTest::class)->name('load-tests.plan');
        Route::post('/load-tests/{test}/readings', LoadTest\AddReading::class)->name('load-test.read');
        Route::delete('/load-tests/{test}/readings/{reading}', LoadTest\StrikeReading::class)
            ->whereUuid('reading')->name('load-test.strike');
        Route::post('/load-tests/{test}/readings/batch', LoadTest\TakeReadings::class)->name('load-test.batch');
        Route::post('/load-tests/{test}/photos', LoadTest\TakeTestPhoto::class)->middleware('throttle:uploads')->name('load-test.photos');
        Route::post('/load-tests/{test}/meter', LoadTest\ReadMeter::class)->middleware('throttle:uploads')->name('load-test.meter');
        Route::post('/load-tests/{test}/marks', LoadTest\AddMark::class)->name('load-test.mark');
        Route::delete('/load-tests/{test}/marks/{mark}', LoadTest\StrikeMark::class)->whereUuid('mark')->name('load-test.mark.strike');
        Route::post('/load-tests/{test}/table', LoadTest\ImportReadings::class)->middleware('throttle:uploads')->name('load-test.table');
        Route::post('/load-tests/{test}/table/look', LoadTest\LookAtTable::class)->name('load-test.table.look');
        Route::post('/load-tests/{test}/recordings', LoadTest\AddRecording::class)->middleware('throttle:uploads')
            ->name('load-test.recordings');
        Route::post('/load-tests/{test}/recordings/look', LoadTest\LookAtSteps::class)->name('load-test.recordings.look');
        Route::post('/load-tests/{test}/notes', LoadTest\NoteLoadTest::class)->name('load-test.note');
        Route::post('/runs/{run}/marks', Commissioning\TakeMarks::class)->name('marks');
        Route::post('/runs/{run}/answers', Commissioning\TakeAnswers::class)->name('answers');
        Route::post('/runs/{run}/photos', Commissioning\TakePhoto::class)->middleware('throttle:uploads')->name('run.photos');
        Route::post('/runs/{run}/procedure', Commissioning\AnswerStep::class)->middleware('throttle:uploads')->name('answer');
        Route::put('/runs/{run}/sheet', Commissioning\AnswerSheet::class)->name('procedure.sheet.keep');
        Route::post('/runs/{run}/follow', Commissioning\FollowSheet::class)->name('run.follow');
        Route::post('/runs/{run}/late', Commissioning\AddLateMark::class)->name('marks.late');
        Route::post('/runs/{run}/notes', Commissioning\AddNote::class)->name('notes');
    });
});
