<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Bridge\CalendarFile;
use App\Bridge\ExerciseFacts;
use App\Models\Feed;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\Visit;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\SwitchCalendar;
use Escapement\Core\Schedule\SwitchExercise;
use Escapement\Core\Schedule\Zone;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/** What a calendar program fetches by the token in its address: exercises of a site or of all, and the visits of a person or of all. */
final readonly class ReadFeed
{
    private const AHEAD_DAYS = 120;
    private const BACK_DAYS = 14;

    public function __invoke(string $token): Response
    {
        $feed = Feed::byToken($token) ?? abort(404);
        $maker = User::query()->findOrFail($feed->user_id);
        abort_if($maker->left_at !== null, 404); // what somebody made ends with their leaving
        $before = Auth::user();
        Auth::setUser($maker); // for this one request the company of its maker is seen
        try {
            $file = new CalendarFile('Escapement');
            if ($feed->scope !== 'person') {
                $this->exercises($feed, $file);
            }
            if ($feed->scope !== 'site') {
                $this->visits($feed, $file);
            }
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }

        return response(
            $file->written(),
            200,
            ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, max-age=900'],
        );
    }

    private function exercises(Feed $feed, CalendarFile $file): void
    {
        $query = TransferSwitch::query();
        $query->orderBy('id');
        if ($feed->site_id !== null) {
            $query->where('site_id', $feed->site_id);
        }
        $today = (int) Day::read(Carbon::now()->format('Y-m-d'));
        foreach ($query->with(['site', 'sheet'])->get() as $switch) {
            $exercise = ExerciseFacts::of($switch);
            if ($exercise === null) {
                continue;
            }
            $of = new SwitchExercise((string) $switch->id, new Zone($switch->site->timezone), $exercise);
            foreach ((new SwitchCalendar($of, $today - self::BACK_DAYS, $today + self::AHEAD_DAYS))->occurrences as $one) {
                $file->exercise($switch, $one);
            }
        }
    }

    private function visits(Feed $feed, CalendarFile $file): void
    {
        $query = Visit::query();
        $query->where('placed_on', '>=', Carbon::today()->subDays(self::BACK_DAYS))->orderBy('id');
        if ($feed->person_id !== null) {
            $query->where('placed_user_id', $feed->person_id);
        }
        foreach ($query->with(['switch.site'])->get() as $visit) {
            $file->visit($visit, implode(', ', $visit->items));
        }
    }
}
