<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** A calendar day as the count of days since 1970-01-01. */
final class Day
{
    public const S = 86_400;

    /** Days from 2000 to 2099; null for anything else. */
    public static function read(string $text): ?int
    {
        if (preg_match('/^(20\d{2})-(\d{2})-(\d{2})$/D', $text, $found) !== 1
            || ! checkdate((int) $found[2], (int) $found[3], (int) $found[1])) {
            return null;
        }

        return intdiv((int) gmmktime(0, 0, 0, (int) $found[2], (int) $found[3], (int) $found[1]), self::S);
    }

    public static function write(int $day): string
    {
        return gmdate('Y-m-d', $day * self::S);
    }

    /** 0 for Monday. */
    public static function weekday(int $day): int
    {
        return ($day + 3) % 7; // 1970-01-01 was a Thursday
    }

    public static function year(int $day): int
    {
        return (int) gmdate('Y', $day * self::S);
    }

    public static function ofMonth(int $day): int
    {
        return (int) gmdate('j', $day * self::S);
    }

    public static function lastOfMonth(int $day): int
    {
        return (int) gmdate('t', $day * self::S);
    }

    /** The same day of the month, or the last one of a shorter month. */
    public static function addMonths(int $day, int $months): int
    {
        $month = (int) gmdate('n', $day * self::S) - 1 + $months;
        $first = intdiv((int) gmmktime(0, 0, 0, $month % 12 + 1, 1, self::year($day) + intdiv($month, 12)), self::S);

        return $first + min(self::ofMonth($day), self::lastOfMonth($first)) - 1;
    }
}
