<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\CalendarFile;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** The next starts and what is due as a calendar. */
final readonly class ExportExercises
{
    public function __invoke(TransferSwitch $switch): Response
    {
        $switch->load(SiteStanding::NEEDS);
        $page = new UpkeepPage($switch, Carbon::now());
        $file = new CalendarFile($switch->site->name);
        foreach ($page->calendar->occurrences ?? [] as $one) {
            $file->exercise($switch, $one);
        }
        foreach ($page->visits as $visit) {
            $file->service($switch, $visit, implode(', ', array_map(UpkeepPage::item(...), $visit['items'])));
        }

        return response($file->written(), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . Str::slug($switch->site->name) . '-schedule.ics"',
        ]);
    }
}
