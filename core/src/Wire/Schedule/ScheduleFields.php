<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Zone;

/** Days, clock times and zones as every calculation of the schedule reads them. */
final class ScheduleFields
{
    public const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** Days since 1970. */
    public static function day(Fields $in, string $key): int
    {
        return self::dayAt($in->has($key) ? $in->at($key) : throw BadInput::missing($in->node->at($key, null)->path));
    }

    public static function dayAt(Node $node): int
    {
        return (is_string($node->value) ? Day::read($node->value) : null)
            ?? throw $node->bad('This must be a day from 2000 to 2099, as 2026-11-26.');
    }

    /** Minutes of the day. */
    public static function clock(Fields $in, string $key): int
    {
        $text = $in->text($key, 5);
        if (preg_match('/^([01]\d|2[0-3]):([0-5]\d)$/D', $text, $found) !== 1) {
            throw $in->at($key)->bad('This must be a time from 00:00 to 23:59.');
        }

        return 60 * (int) $found[1] + (int) $found[2];
    }

    /** Minutes of the day, up to its end. */
    public static function clock24(Fields $in, string $key, int $default): int
    {
        return match (true) {
            ! $in->has($key) => $default,
            $in->at($key)->value === '24:00' => 1440,
            default => self::clock($in, $key),
        };
    }

    /** Seconds since 1970. */
    public static function instant(Fields $in, string $key): int
    {
        return self::maybeInstant($in, $key) ?? throw BadInput::missing($in->node->at($key, null)->path);
    }

    public static function maybeInstant(Fields $in, string $key): ?int
    {
        if (! $in->has($key)) {
            return null;
        }
        $node = $in->at($key);
        $pattern = '/^(20\d{2}-\d{2}-\d{2})T([01]\d|2[0-3]):([0-5]\d):([0-5]\d)Z$/D';
        $found = [];
        $day = is_string($node->value) && preg_match($pattern, $node->value, $found) === 1 ? Day::read($found[1]) : null;
        if ($day === null) {
            throw $node->bad('This must be a time of UTC from 2000 to 2099, as 2026-11-26T14:30:00Z.');
        }

        return $day * Day::S + 3600 * (int) $found[2] + 60 * (int) $found[3] + (int) $found[4];
    }

    /** 12 or 24. */
    public static function nominalV(Fields $in, string $key): int
    {
        $volts = $in->int($key, 12, 24, 12);

        return $volts === 12 || $volts === 24 ? $volts : throw $in->at($key)->bad('This must be 12 or 24.');
    }

    /**
     * @return array<int, true> 0 for Monday
     *
     * @throws BadInput at a day that stands twice
     */
    public static function weekdays(Fields $in, string $key): array
    {
        $days = [];
        foreach ($in->list($key, 1, 7) as $node) {
            $day = (int) array_search($node->oneOf(self::WEEKDAYS), self::WEEKDAYS, true);
            if (isset($days[$day])) {
                throw $node->bad('This day is in the list already.');
            }
            $days[$day] = true;
        }

        return $days;
    }

    public static function zone(Fields $in, string $key): Zone
    {
        $name = $in->text($key);

        return Zone::isName($name) ? new Zone($name)
            : throw $in->at($key)->bad('This must be UTC, or a place of the tz database as Europe/Berlin.');
    }
}
