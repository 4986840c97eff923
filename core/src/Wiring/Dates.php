<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\Fields;

/** Calendar dates as they go on the wire, and days between them. */
final class Dates
{
    private const FIRST = '1970-01-01';
    private const LAST = '2199-12-31';

    /** A real date, 1970 to 2199. */
    public static function read(Fields $in, string $key): string
    {
        $text = $in->text($key, 10);
        $date = \DateTimeImmutable::createFromFormat('!Y-m-d', $text, new \DateTimeZone('UTC'));
        if ($date === false || $date->format('Y-m-d') !== $text || $text < self::FIRST || $text > self::LAST) {
            throw $in->at($key)->bad("\"$text\" is no date; write it as 2026-11-23.");
        }

        return $text;
    }

    public static function plusDays(string $date, int $days): string
    {
        return self::of($date)->modify("+$days days")->format('Y-m-d');
    }

    /** The day stays, or is the last of a shorter month. */
    public static function plusMonths(string $date, int $months): string
    {
        [$year, $month, $day] = array_map(intval(...), explode('-', $date));
        $first = self::of(sprintf('%04d-%02d-01', $year, $month))->modify("+$months months");

        return $first->format('Y-m-') . sprintf('%02d', min($day, (int) $first->format('t')));
    }

    /** Negative when the second comes first. */
    public static function daysBetween(string $from, string $to): int
    {
        return intdiv(self::of($to)->getTimestamp() - self::of($from)->getTimestamp(), 86_400);
    }

    private static function of(string $date): \DateTimeImmutable
    {
        return new \DateTimeImmutable($date, new \DateTimeZone('UTC'));
    }
}
