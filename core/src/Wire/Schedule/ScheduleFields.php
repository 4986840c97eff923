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

    public static function zone(Fields $in, string $key): Zone
    {
        $name = $in->text($key);

        return Zone::isName($name) ? new Zone($name)
            : throw $in->at($key)->bad('This must be UTC, or a place of the tz database as Europe/Berlin.');
    }
}
