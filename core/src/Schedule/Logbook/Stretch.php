<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** Two readings of one kind and what stands between them. */
final readonly class Stretch
{
    /** @param list<LogEntry> $between in the order of time, without the two */
    private function __construct(public LogEntry $first, public LogEntry $last, public array $between) {}

    /** @return ?self from the last reading at or before the beginning, else the first after it, to the last; null with fewer than two */
    public static function of(LogbookInput $in, string $kind): ?self
    {
        $entries = $in->before();
        $first = $last = null;
        foreach ($entries as $i => $entry) {
            if ($entry->kind === $kind) {
                $first = $first === null || $entry->at <= $in->from ? $i : $first;
                $last = $i;
            }
        }
        if ($first === null || $last === null || $first === $last) {
            return null;
        }

        return new self($entries[$first], $entries[$last], array_slice($entries, $first + 1, $last - $first - 1));
    }

    public function runH(): float
    {
        $minutes = array_map(static fn(LogEntry $one): float => $one->isRun() ? $one->runMin : 0.0, $this->between);

        return array_sum($minutes) / 60;
    }
}
