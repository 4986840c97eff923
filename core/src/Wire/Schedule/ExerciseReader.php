<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Schedule\Exercise;

/** The exercise object, whose rules between fields come after the types of the whole input. Rule: docs/rules.md#exercise-calendar. */
final class ExerciseReader
{
    private const EXERCISE = [
        'every', 'day', 'nth', 'day_of_month', 'time', 'for_min', 'with_load', 'anchor', 'clock', 'gap_rule', 'skip', 'skip_rule', 'pauses',
    ];
    private const ON_A_WEEKDAY = ['weekly', 'fortnightly', 'four_weekly'];
    private const ANCHORED = ['fortnightly', 'four_weekly'];
    private const NTHS = [1, 2, 3, 4, -1];

    /** @var list<\Closure(): void> */
    private array $later = [];

    /** @param \Closure(): void $rule one more that comes in its turn */
    public function later(\Closure $rule): void
    {
        $this->later[] = $rule;
    }

    /** @throws BadInput at the first rule that is broken */
    public function check(): void
    {
        foreach ($this->later as $rule) {
            $rule();
        }
    }

    /** The exercise object, whose rules between fields are kept for later. */
    public function read(Fields $in): Exercise
    {
        $in->only(self::EXERCISE);
        $every = $in->oneOf('every', ['daily', 'weekly', 'fortnightly', 'four_weekly', 'monthly']);
        $weekday = $in->maybeOneOf('day', ScheduleFields::WEEKDAYS);
        $nth = $in->maybeInt('nth', -1, 4);
        if ($nth !== null && ! in_array($nth, self::NTHS, true)) {
            throw $in->at('nth')->bad('This must be 1, 2, 3, 4, or -1 for the last.');
        }
        $dayOfMonth = $in->maybeInt('day_of_month', 1, 31);
        $minute = ScheduleFields::clock($in, 'time');
        $forMin = $in->int('for_min', 1, 1440);
        $isWithLoad = $in->bool('with_load', false);
        $anchor = $in->has('anchor') ? ScheduleFields::day($in, 'anchor') : null;
        $isStandard = $in->oneOf('clock', ['zone', 'standard'], 'zone') === 'standard';
        $shifts = $in->oneOf('gap_rule', ['skip', 'shift'], 'skip') === 'shift';
        $skip = [];
        foreach ($in->maybeList('skip', 0, 400) ?? [] as $node) {
            $skip[ScheduleFields::dayAt($node)] = true;
        }
        $moves = $in->oneOf('skip_rule', ['drop', 'next'], 'drop') === 'next';
        $pauses = $in->each('pauses', 0, 50, static function (Fields $one): array {
            $one->only(['from', 'to']);

            return [ScheduleFields::day($one, 'from'), ScheduleFields::day($one, 'to')];
        });
        $this->later[] = static function () use ($in, $every, $weekday, $nth, $dayOfMonth, $anchor, $pauses): void {
            self::demand($in, 'day', $weekday !== null, in_array($every, self::ON_A_WEEKDAY, true) || $nth !== null);
            if ($every === 'monthly') {
                self::demand($in, 'nth', $nth !== null || $dayOfMonth !== null, true);
                self::demand($in, 'day_of_month', $dayOfMonth !== null && $nth !== null, false);
            } else {
                self::demand($in, 'nth', $nth !== null, false);
                self::demand($in, 'day_of_month', $dayOfMonth !== null, false);
            }
            self::demand($in, 'anchor', $anchor !== null, in_array($every, self::ANCHORED, true));
            foreach ($pauses as $i => [$from, $to]) {
                if ($to < $from) {
                    throw $in->at('pauses')->at($i, null)->at('to', null)->bad('A pause does not end before it begins.');
                }
            }
        };

        return new Exercise(
            $every,
            $weekday === null ? null : (int) array_search($weekday, ScheduleFields::WEEKDAYS, true),
            $nth,
            $dayOfMonth,
            $minute,
            $forMin,
            $isWithLoad,
            $anchor,
            $isStandard,
            $shifts,
            $skip,
            $moves,
            $pauses,
        );
    }

    private static function demand(Fields $in, string $key, bool $isThere, bool $isWanted): void
    {
        if ($isThere !== $isWanted) {
            throw $in->at($key)->bad($isWanted ? 'This rhythm needs it.' : 'This rhythm has no such field.');
        }
    }
}
