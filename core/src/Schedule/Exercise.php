<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

use Escapement\Core\Settings\SiteExercise;

/** When a set starts by itself. Rule: docs/rules.md#exercise-calendar. */
final readonly class Exercise
{
    private const WEEKS = ['weekly' => 1, 'fortnightly' => 2, 'four_weekly' => 4];

    /**
     * @param 'daily'|'fortnightly'|'four_weekly'|'monthly'|'weekly' $every
     * @param ?int                                                   $weekday    0 for Monday
     * @param ?int                                                   $nth        of a month, -1 for the last
     * @param ?int                                                   $dayOfMonth beyond its end: its last day
     * @param int                                                    $minute     of the day
     * @param ?int                                                   $anchor     day from which fortnights and four weeks count
     * @param bool                                                   $isStandard the controller's clock knows no summer time
     * @param array<int, true>                                       $skip       days
     * @param list<array{int, int}>                                  $pauses     first and last day
     */
    public function __construct(
        public string $every,
        public ?int $weekday,
        public ?int $nth,
        public ?int $dayOfMonth,
        public int $minute,
        public int $forMin,
        public bool $isWithLoad,
        public ?int $anchor,
        public bool $isStandard,
        public bool $shiftsGap,
        public array $skip,
        public bool $movesSkipped,
        public array $pauses,
    ) {}

    /**
     * The exercise of a sheet; null where it keeps no weekday.
     *
     * @param int $since the day from which every second or fourth week is counted
     */
    public static function ofSheet(SiteExercise $kept, int $since): ?self
    {
        $every = $kept->everyDays === 1 ? 'daily' : array_search($kept->everyDays, array_map(
            static fn(int $weeks): int => 7 * $weeks,
            self::WEEKS,
        ), true);
        if ($every === false) {
            return null;
        }
        $isDaily = $every === 'daily';
        $isAnchored = ! $isDaily && $every !== 'weekly';

        return new self(
            $every,
            $isDaily ? null : $kept->day,
            null,
            null,
            $kept->minute,
            $kept->forMinutes,
            $kept->withLoad,
            $isAnchored ? $since : null,
            false,
            false,
            [],
            false,
            [],
        );
    }

    public function isNominal(int $day): bool
    {
        if ($this->every === 'daily') {
            return true;
        }
        if ($this->every === 'monthly') {
            $of = Day::ofMonth($day);
            if ($this->dayOfMonth !== null) {
                return $of === min($this->dayOfMonth, Day::lastOfMonth($day));
            }
            $isNth = $this->nth === -1 ? $of + 7 > Day::lastOfMonth($day) : intdiv($of - 1, 7) + 1 === $this->nth;

            return $isNth && Day::weekday($day) === $this->weekday;
        }
        if (Day::weekday($day) !== $this->weekday) {
            return false;
        }
        $anchor = (int) $this->anchor;
        $first = $anchor + ($this->weekday - Day::weekday($anchor) + 7) % 7;

        return ($day - $first) % (7 * self::WEEKS[$this->every]) === 0;
    }

    public function isPaused(int $day): bool
    {
        foreach ($this->pauses as [$from, $to]) {
            if ($day >= $from && $day <= $to) {
                return true;
            }
        }

        return false;
    }

    /** Whether the month is too short for the day that was asked for. */
    public function isClamped(int $day): bool
    {
        return $this->dayOfMonth !== null && Day::ofMonth($day) < $this->dayOfMonth;
    }

    /** @return int|'merged'|'pause'|'skip' the day it takes place on, or why it does not */
    public function place(int $day): int|string
    {
        if ($this->isPaused($day)) {
            return 'pause';
        }
        if (! isset($this->skip[$day])) {
            return $day;
        }
        for ($next = $day + 1; $this->movesSkipped && $next <= $day + 6; $next++) {
            if (! isset($this->skip[$next]) && ! $this->isPaused($next)) {
                return $this->isNominal($next) ? 'merged' : $next;
            }
        }

        return 'skip';
    }
}
