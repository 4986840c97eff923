<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Service;

use Escapement\Core\Input\Tolerance;

/** The hours of an engine over the years, through new and reset meters, and how fast they grow. Rule: docs/rules.md#service-due. */
final class EngineHours
{
    private const LEAST_WINDOW_DAYS = 14;
    private const DAYS_A_YEAR = 365;

    /** @var non-empty-list<array{int, float}> day and hours */
    private array $points;

    public readonly float $rate;
    /** @var 'exercise'|'measured'|'none'|'planned' */
    public readonly string $rateFrom;
    public readonly bool $wentBackwards;
    /** More hours than the days have. */
    public readonly bool $isImpossible;

    public function __construct(ServiceInput $in)
    {
        $points = [[$in->installed, 0.0]];
        $hasBack = $isImpossible = false;
        $engineH = 0.0;
        foreach ($in->readings as $i => $reading) {
            $before = $in->readings[$i - 1] ?? null;
            $added = $reading->hours - ($before?->base() ?? 0.0);
            if ($before !== null && $added < 0) {
                $hasBack = true;
                $added = $reading->hours;
            }
            $engineH += $added;
            $isImpossible = $isImpossible || $before !== null && Tolerance::exceeds($added, 24 * ($reading->day - $before->day + 1));
            if ($i === 0 && $reading->day === $in->installed) {
                $points = [];
            }
            $points[] = [$reading->day, $engineH];
        }
        $this->points = $points;
        $this->wentBackwards = $hasBack;
        $this->isImpossible = $isImpossible;
        [$this->rate, $this->rateFrom] = $this->growth($in);
    }

    /** Hours at the last reading. */
    public function last(): float
    {
        return $this->points[count($this->points) - 1][1];
    }

    /** Hours on a day: between two readings in proportion, after the last as they grow. */
    public function on(int $day): float
    {
        [$lastDay, $last] = $this->points[count($this->points) - 1];
        if ($day > $lastDay) {
            return $last + $this->rate * ($day - $lastDay);
        }

        return $this->between($day);
    }

    private function between(int $day): float
    {
        $at = $this->points[0];
        foreach ($this->points as $point) {
            if ($point[0] > $day) {
                return $at[0] >= $day ? $at[1] : $at[1] + ($point[1] - $at[1]) * ($day - $at[0]) / ($point[0] - $at[0]);
            }
            $at = $point;
        }

        return $at[1];
    }

    /** @return array{float, 'exercise'|'measured'|'none'|'planned'} hours a day */
    private function growth(ServiceInput $in): array
    {
        $end = $this->points[count($this->points) - 1][0];
        $begin = max($this->points[0][0], $end - $in->averageDays);
        $plan = $in->exerciseHPerYear / self::DAYS_A_YEAR;
        if ($end - $begin >= self::LEAST_WINDOW_DAYS) {
            $measured = ($this->between($end) - $this->between($begin)) / ($end - $begin);

            return Tolerance::exceeds($plan, $measured) ? [$plan, 'exercise'] : [$measured, 'measured'];
        }
        $planned = ($in->exerciseHPerYear + $in->outageHPerYear) / self::DAYS_A_YEAR;

        return [$planned, $planned > 0 ? 'planned' : 'none'];
    }
}
