<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Clash;

/** Stretches of time, sorted, those that touch joined; half-open, in seconds since 1970. */
final readonly class Spans
{
    /** @var list<array{int, int}> */
    public array $spans;

    /** @param list<array{int, int}> $spans in any order */
    public function __construct(array $spans)
    {
        usort($spans, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $joined = [];
        $open = null;
        foreach ($spans as [$from, $to]) {
            if ($open !== null && $from <= $open[1]) {
                $open = [$open[0], max($open[1], $to)];
                continue;
            }
            if ($open !== null) {
                $joined[] = $open;
            }
            $open = [$from, $to];
        }
        $this->spans = $open === null ? $joined : [...$joined, $open];
    }

    public function overlaps(int $from, int $to): bool
    {
        $at = $this->firstEndingAfter($from);

        return isset($this->spans[$at]) && $this->spans[$at][0] < $to;
    }

    /** Whether all of it lies inside one stretch. */
    public function holds(int $from, int $to): bool
    {
        $at = $this->firstEndingAfter($from);

        return isset($this->spans[$at]) && $this->spans[$at][0] <= $from && $to <= $this->spans[$at][1];
    }

    private function firstEndingAfter(int $moment): int
    {
        $low = 0;
        $high = count($this->spans);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->spans[$middle][1] <= $moment) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
