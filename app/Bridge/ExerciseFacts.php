<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Exercise;
use Escapement\Core\Schedule\Occurrence;
use Escapement\Core\Schedule\SwitchCalendar;
use Escapement\Core\Schedule\SwitchExercise;
use Escapement\Core\Schedule\Zone;
use Escapement\Core\Settings\SiteExercise;
use Illuminate\Support\Carbon;

/** The exercise of a switch's newest sheet, as the schedule takes it. Needs of the switch: site, sheet. */
final readonly class ExerciseFacts
{
    public const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
    private const LONGEST_DAYS = 31;

    /** When the set starts by itself over some days from today; null where no exercise keeps a weekday. */
    public static function calendar(TransferSwitch $switch, Carbon $now, int $days): ?SwitchCalendar
    {
        $exercise = self::of($switch);
        $today = (int) Day::read($now->copy()->setTimezone($switch->site->timezone)->format('Y-m-d'));

        return $exercise === null ? null : new SwitchCalendar(
            new SwitchExercise((string) $switch->id, new Zone($switch->site->timezone), $exercise),
            $today,
            $today + $days,
        );
    }

    /** The next start of those, by the clock of the site. */
    public static function next(TransferSwitch $switch, Carbon $now): ?Occurrence
    {
        foreach (self::calendar($switch, $now, self::LONGEST_DAYS)->occurrences ?? [] as $one) {
            if ($one->utcS >= $now->getTimestamp()) {
                return $one;
            }
        }

        return null;
    }

    /** Null: none is kept, or nothing stands there that could be exercised. */
    public static function habit(TransferSwitch $switch): ?SiteExercise
    {
        $isThere = $switch->sheet !== null && $switch->site->installation->hasGenerator();

        return $isThere ? SwitchFacts::habits($switch->sheet->habits)->exercise : null;
    }

    /** Null: none, or one that keeps no weekday. */
    public static function of(TransferSwitch $switch): ?Exercise
    {
        $habit = self::habit($switch);
        $begun = $switch->sheet?->created_at->copy()->setTimezone($switch->site->timezone)->format('Y-m-d');

        return $habit === null ? null : Exercise::ofSheet($habit, (int) Day::read((string) $begun));
    }
}
