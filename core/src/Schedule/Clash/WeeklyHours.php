<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Zone;

/** Hours that come back every week: at work, quiet, asleep, open. Rule: docs/rules.md#exercise-clashes. */
final readonly class WeeklyHours
{
    private const AROUND_DAYS = 20;

    /** @param list<array{days: array<int, true>, from: int, to: int}> $items minutes of the day; over midnight where not after `from` */
    public function __construct(public array $items) {}

    /** @param list<array{int, int}> $absences first and last day: what begins on one is left out */
    public function spans(Zone $zone, int $from, int $to, array $absences = []): Spans
    {
        $spans = [];
        for ($day = $from - self::AROUND_DAYS; $this->items !== [] && $day <= $to + self::AROUND_DAYS; $day++) {
            if (self::isAbsent($day, $absences)) {
                continue;
            }
            foreach ($this->items as $item) {
                if (! isset($item['days'][Day::weekday($day)])) {
                    continue;
                }
                $begin = $zone->resolve($day * Day::S + 60 * $item['from'])->utcS;
                $end = $zone->resolve(($day + ($item['to'] <= $item['from'] ? 1 : 0)) * Day::S + 60 * $item['to'])->utcS;
                if ($end > $begin) {
                    $spans[] = [$begin, $end];
                }
            }
        }

        return new Spans($spans);
    }

    /** @param list<array{int, int}> $absences */
    private static function isAbsent(int $day, array $absences): bool
    {
        foreach ($absences as [$from, $to]) {
            if ($day >= $from && $day <= $to) {
                return true;
            }
        }

        return false;
    }
}
