<?php

declare(strict_types=1);

namespace App\Stage\Handover;

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
        $exercise = $run->sheet->habits['exercise'] ?? null;
        if (is_array($exercise) && is_string($exercise['day'] ?? null) && is_string($exercise['time'] ?? null)) {
            $days = ['mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday', 'sat' => 'Saturday', 'sun' => 'Sunday'];
            $first = $signed->copy()->modify('next ' . ($days[$exercise['day']] ?? 'Monday'))->setTimeFromTimeString($exercise['time']);
            // Floating time: it runs by the clock on the wall, whatever the zone does in spring and autumn.
            $calendar->add('VEVENT', [
                'UID' => "exercise-$run->switch_id@escapement.example", 'DTSTAMP' => Carbon::now('UTC'), 'DTSTART' => $first->format('Ymd\THis'), 'DURATION' => 'PT' . (int) ($exercise['for_min'] ?? 15) . 'M',
                'RRULE' => self::rule($exercise['every'] ?? 'weekly'), 'SUMMARY' => "The generator runs by itself: $site->name",
                'DESCRIPTION' => 'An exercise shows that it starts. It is not a test with the load.',
            ]);
        }
        $perYear = (int) ($run->sheet->habits['load_tests_per_year'] ?? 0);
        for ($i = 1; $i <= $perYear; $i++) {
            $day = $signed->copy()->addDays((int) round(365 * $i / $perYear));
            $calendar->add('VEVENT', [
                'UID' => "load-test-$run->id-$i@escapement.example", 'DTSTAMP' => Carbon::now('UTC'), 'DTSTART;VALUE=DATE' => $day->format('Ymd'), 'SUMMARY' => "Load test due: $site->name",
                'DESCRIPTION' => 'By appointment. Only a run with the load shows that it carries the building.',
            ]);
        }

        return response($calendar->serialize(), 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="' . Str::slug($site->name) . '-dates.ics"']);
    }

    /** Named intervals keep the weekday; a number is days. */
    private static function rule(mixed $every): string
    {
        $weeks = ['weekly' => 1, 'biweekly' => 2, 'monthly' => 4, 'quarterly' => 13, 'yearly' => 52];

        return is_int($every) ? "FREQ=DAILY;INTERVAL=$every" : 'FREQ=WEEKLY;INTERVAL=' . ($weeks[is_string($every) ? $every : ''] ?? 1);
    }
}
