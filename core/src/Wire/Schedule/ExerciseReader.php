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
        $nth = self::nth($in);
        $dayOfMonth = $in->maybeInt('day_of_month', 1, 31);
        $minute = ScheduleFields::clock($in, 'time');
        $forMin = $in->int('for_min', 1, 1440);
        $isWithLoad = $in->bool('with_load', false);
        $anchor = $in->has('anchor') ? ScheduleFields::day($in, 'anchor') : null;
        $isStandard = $in->oneOf('clock', ['zone', 'standard'], 'zone') === 'standard';
        $shifts = $in->oneOf('gap_rule', ['skip', 'shift'], 'skip') === 'shift';
        $skip = array_fill_keys(array_map(ScheduleFields::dayAt(...), $in->maybeList('skip', 0, 400) ?? []), true);
        $moves = $in->oneOf('skip_rule', ['drop', 'next'], 'drop') === 'next';
        $pauses = $in->each('pauses', 0, 50, static function (Fields $one): array {
            $one->only(['from', 'to']);

            return [ScheduleFields::day($one, 'from'), ScheduleFields::day($one, 'to')];
        });
        $this->later[] = static function () use ($in, $every, $weekday, $nth, $dayOfMonth, $anchor, $pauses): void {
            self::demand($in, 'day', $weekday !== null, in_array($every, self::ON_A_WEEKDAY, true) || $nth !== null);
            self::demandOneDay($in, $every === 'monthly', $nth !== null, $dayOfMonth !== null);
            self::demand($in, 'anchor', $anchor !== null, in_array($every, self::ANCHORED, true));
            self::demandEnds($in, $pauses);
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

    /** @throws BadInput */
    private static function nth(Fields $in): ?int
    {
        $nth = $in->maybeInt('nth', -1, 4);

        return $nth === null || in_array($nth, self::NTHS, true) ? $nth
            : throw $in->at('nth')->bad('This must be 1, 2, 3, 4, or -1 for the last.');
    }

    /**
     * A month has one of the two ways to name its day; no other rhythm has either.
     *
     * @throws BadInput
     */
    private static function demandOneDay(Fields $in, bool $isMonthly, bool $hasNth, bool $hasDay): void
    {
        self::demand($in, 'nth', $hasNth || $isMonthly && $hasDay, $isMonthly);
        self::demand($in, 'day_of_month', $hasDay && ($hasNth || ! $isMonthly), false);
    }

    /**
     * @param list<array{int, int}> $pauses
     *
     * @throws BadInput
     */
    private static function demandEnds(Fields $in, array $pauses): void
    {
        foreach ($pauses as $i => [$from, $to]) {
            if ($to < $from) {
                throw $in->at('pauses')->at($i, null)->at('to', null)->bad('A pause does not end before it begins.');
            }
        }
    }

    private static function demand(Fields $in, string $key, bool $isThere, bool $isWanted): void
    {
        if ($isThere !== $isWanted) {
            throw $in->at($key)->bad($isWanted ? 'This rhythm needs it.' : 'This rhythm has no such field.');
        }
    }
}
