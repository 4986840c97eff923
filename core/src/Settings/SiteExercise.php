<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** The exercise as a person plans it: a weekday and a time, every so many days. */
final readonly class SiteExercise
{
    private const WEEK = 7 * 1440;

    /**
     * @param int  $day       0 for Monday to 6 for Sunday
     * @param int  $minute    of the day
     * @param bool $keepsDay  false when the interval is no whole number of weeks, so that it falls on every weekday in turn
     */
    public function __construct(
        public int $day,
        public int $minute,
        public int $everyDays,
        public bool $keepsDay,
        public int $forMinutes,
        public bool $withLoad,
    ) {}

    /** The same, so many minutes later or earlier on the wall, on the day that this comes to. */
    public function shifted(int $minutes): self
    {
        $at = (($this->day * 1440 + $this->minute + $minutes) % self::WEEK + self::WEEK) % self::WEEK;

        return new self(intdiv($at, 1440), $at % 1440, $this->everyDays, $this->keepsDay, $this->forMinutes, $this->withLoad);
    }

    /** Half-open intervals on a week that wraps round. Rule: docs/rules.md#settings-delays. */
    public function disturbs(QuietHours $quiet): bool
    {
        foreach ($this->keepsDay ? [$this->day] : range(0, 6) as $day) {
            $from = $day * 1440 + $this->minute;
            foreach ($quiet->days as $quietDay) {
                $quietFrom = $quietDay * 1440 + $quiet->fromMinute;
                foreach ([-self::WEEK, 0, self::WEEK] as $shift) {
                    if ($from < $quietFrom + $shift + $quiet->lengthMinutes() && $quietFrom + $shift < $from + $this->forMinutes) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
