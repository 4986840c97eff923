<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\ExerciseCalendar;
use Escapement\Core\Schedule\SwitchExercise;
use Escapement\Core\Wire\Reader;

/** `exercise_calendar` on the wire. Rule: docs/rules.md#exercise-calendar. */
final readonly class ExerciseCalendarReader implements Reader
{
    private const MOST_DAYS = 1500;

    private ExerciseReader $exercises;

    public function __construct()
    {
        $this->exercises = new ExerciseReader();
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $in = (new Fields($node))->only(['from', 'to', 'switches']);
        $from = ScheduleFields::day($in, 'from');
        $to = ScheduleFields::day($in, 'to');
        $switches = $in->each('switches', 1, 200, $this->switch(...), isOptional: false);
        if ($to < $from || $to > $from + self::MOST_DAYS) {
            throw $in->at('to')->bad('The last day is not before the first, and ' . self::MOST_DAYS . ' days after it at most.');
        }
        $this->exercises->check();

        return (new ExerciseCalendar())->of($switches, $from, $to)->toArray();
    }

    private function switch(Fields $in): SwitchExercise
    {
        $in->only(['id', 'zone', 'exercise']);

        return new SwitchExercise($in->text('id'), ScheduleFields::zone($in, 'zone'), $this->exercises->read($in->object('exercise')));
    }
}
