<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** When to read: at the start and the end of each step, and in between. Rule: docs/rules.md#load-test-plan. */
final readonly class ReadingTimes
{
    private const SAME_S = 1e-6;
    private const EARLY_UNTIL_S = 900.0;

    /** @param ?float $earlyMin in the first quarter of an hour of the test; null: no rule of its own */
    public function __construct(private float $everyMin, private ?float $earlyMin) {}

    /**
     * @param list<PlannedStep> $steps
     *
     * @return list<float> seconds, rising
     */
    public function of(array $steps): array
    {
        $times = [];
        foreach ($steps as $step) {
            array_push($times, $step->startS, $step->endS);
            if ($this->earlyMin === null) {
                array_push($times, ...$this->every(60 * $this->everyMin, $step->startS, $step->endS));
            }
        }
        if ($this->earlyMin !== null && $steps !== []) {
            $from = $steps[0]->startS;
            $to = $steps[count($steps) - 1]->endS;
            $early = min($to, $from + self::EARLY_UNTIL_S + 2 * self::SAME_S);
            array_push($times, ...$this->every(60 * $this->earlyMin, $from, $early));
            array_push($times, ...$this->every(60 * $this->everyMin, $from, $to));
        }
        sort($times);
        $apart = [];
        foreach ($times as $time) {
            if ($apart === [] || $time - $apart[count($apart) - 1] > self::SAME_S) {
                $apart[] = $time;
            }
        }

        return $apart;
    }

    /** @return list<float> inside a stretch, its ends left out */
    private function every(float $seconds, float $from, float $to): array
    {
        $times = [];
        for ($i = 1; $from + $i * $seconds < $to - self::SAME_S; $i++) {
            $times[] = $from + $i * $seconds;
        }

        return $times;
    }
}
