<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Sabre\VObject\Component\VCalendar;

/** The next starts and what is due as a calendar: single instants, so that no calendar has to know the rules of the clock. */
final readonly class ExportExercises
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $page = new UpkeepPage($switch, Carbon::now());
        $calendar = new VCalendar(['PRODID' => '-//Escapement//EN']);
        $site = $switch->site->name;
        $add = static fn(string $uid, array $more): mixed => $calendar->add('VEVENT', [
            'UID' => "$uid@escapement.example", 'DTSTAMP' => Carbon::now('UTC'),
        ] + $more);
        foreach ($page->calendar->occurrences ?? [] as $one) {
            $add("exercise-$switch->id-$one->utcS", [
                'DTSTART' => Carbon::createFromTimestampUTC($one->utcS), 'DTEND' => Carbon::createFromTimestampUTC($one->endUtcS),
                'SUMMARY' => "The generator starts by itself: $site",
                'DESCRIPTION' => 'Automatic start. Before any work on engine or switch: selector off, start battery disconnected, both '
                    . 'sources isolated, locked out and proved dead.',
            ]);
        }
        foreach ($page->visits as $visit) {
            $items = implode(', ', array_map(UpkeepPage::item(...), $visit['items']));
            $add("service-$switch->id-" . Str::slug($items) . "-$visit[date]", [
                'DTSTART;VALUE=DATE' => str_replace('-', '', $visit['date']),
                'SUMMARY' => "Service due: $site", 'DESCRIPTION' => "$items; about $visit[minutes] min.",
            ]);
        }

        return response($calendar->serialize(), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . Str::slug($site) . '-schedule.ics"',
        ]);
    }
}
