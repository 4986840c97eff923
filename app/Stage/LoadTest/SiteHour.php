<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use Illuminate\Support\Carbon;

/** An hour on site as a moment: the last such hour, since a test may run past midnight. */
final readonly class SiteHour
{
    private const AHEAD_MIN = 5;

    public static function last(string $time, string $zone): Carbon
    {
        $now = Carbon::now($zone);
        $moment = $now->copy()->setTimeFromTimeString($time);

        return ($moment->greaterThan($now->copy()->addMinutes(self::AHEAD_MIN)) ? $moment->subDay() : $moment)->utc();
    }
}
