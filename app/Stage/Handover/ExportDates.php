<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Bridge\SwitchFacts;
use App\Http\Middleware\ByLink;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Sabre\VObject\Component\VCalendar;

/** The dates of an owner: when it runs by itself, and when the next load tests are due. */
final readonly class ExportDates
{
    public function __invoke(Request $request): Response
    {
        $run = ByLink::run($request);
        $run->load(['switch.site', 'sheet']);
        $site = $run->switch->site;
        $calendar = new VCalendar(['PRODID' => '-//Escapement//EN']);
        $signed = ($run->signed_at ?? Carbon::now())->copy()->setTimezone($site->timezone);
        $habits = SwitchFacts::habits($run->sheet->habits);
        $exercise = $habits->exercise;
        if ($exercise !== null) {
            $first = $signed->copy()->addDay()->startOfDay();
            $first = $first->addDays(($exercise->day - $first->dayOfWeekIso + 8) % 7)->addMinutes($exercise->minute);
            // Floating time: it runs by the clock on the wall, whatever the zone does in spring and autumn.
            $calendar->add('VEVENT', [
                'UID' => "exercise-$run->switch_id@escapement.example",
                'DTSTAMP' => Carbon::now('UTC'),
                'DTSTART' => $first->format('Ymd\THis'),
                'DURATION' => "PT{$exercise->forMinutes}M",
                'RRULE' => $exercise->keepsDay
                    ? 'FREQ=WEEKLY;INTERVAL=' . intdiv($exercise->everyDays, 7)
                    : "FREQ=DAILY;INTERVAL=$exercise->everyDays",
                'SUMMARY' => "The generator runs by itself: $site->name",
                'DESCRIPTION' => 'An exercise shows that it starts. It is not a test with the load.',
            ]);
        }
        $perYear = $habits->loadTestsPerYear;
        for ($i = 1; $i <= $perYear; $i++) {
            $day = $signed->copy()->addDays((int) round(365 * $i / $perYear));
            $calendar->add('VEVENT', [
                'UID' => "load-test-$run->id-$i@escapement.example",
                'DTSTAMP' => Carbon::now('UTC'),
                'DTSTART;VALUE=DATE' => $day->format('Ymd'),
                'SUMMARY' => "Load test due: $site->name",
                'DESCRIPTION' => 'By appointment. Only a run with the load shows that it carries the building.',
            ]);
        }

        return response(
            $calendar->serialize(),
            200,
            [
                'Content-Type' => 'text/calendar; charset=utf-8',
                'Content-Disposition' => 'attachment; filename="' . Str::slug($site->name) . '-dates.ics"',
            ],
        );
    }
}
