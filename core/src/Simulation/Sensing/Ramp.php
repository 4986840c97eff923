<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Sensing;

/**
 * One quantity of a source over time, one channel a phase: constant, or on its way in a straight line.
 *
 * Values are whole numbers of a small unit (Internal\Decimal). While a ramp runs, at() gives value · length, so that
 * comparisons stay in whole numbers; length() is 1 when nothing moves.
 */
final class Ramp
{
    /** @var list<int|float> */
    private array $from;
    /** @var list<int|float> */
    private array $to;
    private int $startMs = 0;
    private int $lengthMs = 0;

    /** @param non-empty-list<int|float> $values */
    public function __construct(array $values)
    {
        $this->from = $values;
        $this->to = $values;
    }

    public function isMoving(): bool
    {
        return $this->lengthMs > 0;
    }

    /** @param list<int|float> $values */
    public function set(array $values): void
    {
        $this->from = $values;
        $this->to = $values;
        $this->lengthMs = 0;
    }

    /** @param list<int|float> $values target, reached after $overMs */
    public function ramp(int $t, array $values, int $overMs): void
    {
        $length = $this->length();
        $now = [];
        foreach ($this->at($t) as $scaled) {
            $value = $scaled / $length;
            $now[] = is_float($value) && floor($value) === $value && abs($value) < 4e15 ? (int) $value : $value;
        }
        $this->from = $now;
        $this->to = $values;
        $this->startMs = $t;
        $this->lengthMs = $overMs;
    }

    /** Goes on as another one does from now on. */
    public function follow(self $other): void
    {
        [$this->from, $this->to, $this->startMs, $this->lengthMs] = [$other->from, $other->to, $other->startMs, $other->lengthMs];
    }

    /** Ends a ramp whose time is over; to be called before reading at $t. */
    public function settle(int $t): void
    {
        if ($this->lengthMs > 0 && $t >= $this->startMs + $this->lengthMs) {
            $this->from = $this->to;
            $this->lengthMs = 0;
        }
    }

    public function length(): int
    {
        return $this->lengthMs > 0 ? $this->lengthMs : 1;
    }

    /** @return list<int|float> value · length() of each channel */
    public function at(int $t): array
    {
        if ($this->lengthMs === 0) {
            return $this->from;
        }
        $gone = $t - $this->startMs;
        $values = [];
        foreach ($this->from as $i => $from) {
            $values[] = $from * $this->lengthMs + ($this->to[$i] - $from) * $gone;
        }

        return $values;
    }

    /**
     * The whole milliseconds after $t, in order, at which a comparison with one of the thresholds comes out differently,
     * and the end.
     *
     * Rule: docs/rules.md#sensing. Solved, not stepped: the cost must not grow with the ramp's length. Meeting a limit is not yet
     * being beyond it, so a rising value stops being below at the root itself, and is above only after it.
     *
     * @param list<int|float> $below limits asked with "is it below", same unit as the values
     * @param list<int|float> $above likewise with "is it above"
     *
     * @return list<int>
     */
    public function crossings(int $t, array $below, array $above): array
    {
        $times = [];
        foreach ($this->from as $i => $from) {
            $slope = $this->to[$i] - $from;
            foreach ($below as $threshold) {
                $times[] = $this->flip(($from - $threshold) * $this->lengthMs, $slope, $slope > 0);
            }
            foreach ($above as $threshold) {
                $times[] = $this->flip(($from - $threshold) * $this->lengthMs, $slope, $slope < 0);
            }
        }

        return $this->inOrder($t, $times);
    }

    /**
     * As crossings(), for the spread of three channels against $share/$whole of their mean.
     *
     * @param list<array{int|float, int|float}> $shares limits as [numerator, denominator] of the mean
     *
     * @return list<int>
     */
    public function spreadCrossings(int $t, array $shares): array
    {
        $times = [];
        $sumFrom = array_sum($this->from);
        $sumSlope = array_sum($this->to) - $sumFrom;
        array_push($times, ...$this->roots($sumFrom * $this->lengthMs, $sumSlope));
        foreach ($this->from as $i => $from) {
            $slope = $this->to[$i] - $from;
            foreach ($shares as [$numerator, $denominator]) {
                foreach ([1, -1] as $sign) { // sign · (3 v − Σ v) · denominator − Σ v · numerator, a straight line too
                    $start = $sign * (3 * $from - $sumFrom) * $denominator - $sumFrom * $numerator;
                    $rise = $sign * (3 * $slope - $sumSlope) * $denominator - $sumSlope * $numerator;
                    array_push($times, ...$this->roots($start * $this->lengthMs, $rise));
                }
            }
        }

        return $this->inOrder($t, $times);
    }

    /**
     * The root of start + slope · time where it is a whole millisecond, and the first whole one after it.
     *
     * @return list<int>
     */
    private function roots(int|float $start, int|float $slope): array
    {
        if ((float) $slope === 0.0) {
            return [];
        }
        if (is_int($start) && is_int($slope)) {
            $floor = intdiv(-$start, $slope);
            $rest = -$start - $floor * $slope;
            if ($rest !== 0 && ($rest < 0) !== ($slope < 0)) {
                $floor--;
                $rest = 1;
            }
            $isWhole = $rest === 0;
        } else {
            $root = -$start / $slope;
            if (abs($root) > 1e12) {
                return [];
            }
            $floor = (int) floor($root);
            $isWhole = (float) $floor === $root;
        }

        return $isWhole ? [$floor, $floor + 1] : [$floor + 1];
    }

    /** The root of start + slope · time where it is a whole millisecond and the comparison flips on it, else the next one; -1 for none. */
    private function flip(int|float $start, int|float $slope, bool $isOnRoot): int
    {
        $roots = $this->roots($start, $slope);

        return $roots === [] ? -1 : ($isOnRoot ? $roots[0] : $roots[count($roots) - 1]);
    }

    /**
     * @param list<int> $times counted from the start of the ramp
     *
     * @return list<int>
     */
    private function inOrder(int $t, array $times): array
    {
        $absolute = [];
        foreach ($times as $time) {
            if ($time <= $this->lengthMs && $this->startMs + $time > $t) {
                $absolute[$this->startMs + $time] = true;
            }
        }
        $absolute[$this->startMs + $this->lengthMs] = true;
        ksort($absolute);

        return array_keys($absolute);
    }
}
