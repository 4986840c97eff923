<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\TransferSwitch;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Sabre\VObject\Component\VCalendar;

/** The dark window as an appointment; there is none before an hour is agreed. */
final readonly class ExportPowerDown
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $page = PowerDownPage::of($switch);
        $opensAt = $page->opensAt;
        $minutes = $page->minutes('window_min');
        if ($opensAt === null || $minutes === 0) {
            abort(404, 'No hour is agreed yet.');
        }
        $site = $switch->site;
        $calendar = new VCalendar(['PRODID' => '-//Escapement//EN']);
        $calendar->add('VEVENT', [
            'UID' => "power-down-$switch->id@escapement.example", 'DTSTAMP' => Carbon::now('UTC'),
            'DTSTART' => $opensAt->copy()->utc(), 'DTEND' => $opensAt->copy()->addMinutes($minutes)->utc(),
            'SUMMARY' => "Power off: $site->name", 'LOCATION' => (string) $site->address,
            'DESCRIPTION' =>
                "Planned for $minutes min. The work begins when the supply is open, locked and proved dead, and may take longer.",
        ]);

        return response(
            $calendar->serialize(),
            200,
            [
                'Content-Type' => 'text/calendar; charset=utf-8',
                'Content-Disposition' => 'attachment; filename="' . Str::slug($site->name) . '-power-down.ics"',
            ],
        );
    }
}
