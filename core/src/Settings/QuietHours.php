<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

/** When people sleep, trade or eat. Local wall time; an end at or before the beginning is on the next day. */
final readonly class QuietHours
{
    /** @param list<int> $days 0 for Monday to 6 for Sunday, the days on which it begins */
    public function __construct(public array $days, public int $fromMinute, public int $toMinute) {}

    public function lengthMinutes(): int
    {
        return $this->toMinute > $this->fromMinute ? $this->toMinute - $this->fromMinute : $this->toMinute + 1440 - $this->fromMinute;
    }
}
