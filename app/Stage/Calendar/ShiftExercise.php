<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Bridge\ExerciseFacts;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Settings\WriteSheet;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Takes the free time that the calendar found: a new proposed version of the sheet, to be set on site. */
final readonly class ShiftExercise
{
    private const WEEK_MIN = 10_080;

    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'minutes' => ['required', 'integer', 'between:-' . self::WEEK_MIN . ',' . self::WEEK_MIN],
            'seen_version' => ['required', 'integer'], 'back' => ['nullable', 'string', 'max:60'],
        ]);
        $switch->load(['site', 'sheet']);
        $exercise = ExerciseFacts::habit($switch)?->shifted((int) $fields['minutes']);
        if ($exercise === null || $switch->sheet === null) {
            abort(409, 'This sheet has no exercise any more.');
        }
        /** @var User $user */
        $user = $request->user();
        $habits = $switch->sheet->habits;
        $time = sprintf('%02d:%02d', intdiv($exercise->minute, 60), $exercise->minute % 60);
        $habits['exercise'] = ['day' => ExerciseFacts::WEEKDAYS[$exercise->day], 'time' => $time] + (array) ($habits['exercise'] ?? []);
        $sheet = $this->sheets->write(
            $switch,
            $switch->sheet->settings,
            $habits,
            Standing::Proposed,
            "Exercise moved to $time, so that it clashes with nothing.",
            $user,
            (int) $fields['seen_version'],
        );
        $said = $sheet === null ? 'Somebody has written a newer sheet in the meantime. Look at it first.'
            : "{$switch->site->name}: version $sheet->version is proposed. It starts then once it is set on site.";

        return redirect()->route(
            'calendar',
            array_filter(['view' => $request->input('view'), 'on' => $request->input('on')], is_string(...)),
        )
            ->with('said', $said);
    }
}
