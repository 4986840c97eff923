<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadTest;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Sabre\VObject\Component\VCalendar;

/** A planned load test as an appointment. */
final readonly class ExportTestDate
{
    public function __invoke(LoadTest $test): Response
    {
        $begin = $test->planned_for ?? abort(404, 'No hour is agreed yet.');
        $site = $test->switch()->firstOrFail()->site;
        $minutes = (int) ceil(LoadTestFacts::planned($test->plan)->totalMin);
        $calendar = new VCalendar(['PRODID' => '-//Escapement//EN']);
        $calendar->add('VEVENT', [
            'UID' => "load-test-$test->id@escapement.example", 'DTSTAMP' => Carbon::now('UTC'),
            'DTSTART' => $begin->copy()->utc(), 'DTEND' => $begin->copy()->utc()->addMinutes($minutes),
            'SUMMARY' => "Load test: $site->name", 'LOCATION' => (string) $site->address,
            'DESCRIPTION' => "Planned for $minutes min. The load bank is connected dead, locked and proved; "
                . 'exhaust and hot air outdoors only.',
        ]);

        return response($calendar->serialize(), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . Str::slug($site->name) . '-load-test.ics"',
        ]);
    }
}
