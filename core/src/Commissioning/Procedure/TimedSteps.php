<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Commissioning\TimedRun;

/** What the stopwatch says to the timed steps of a procedure. */
final readonly class TimedSteps
{
    /**
     * The latest time of an interval counts; those of all runs are shown as repeats.
     *
     * @param list<Step>     $steps
     * @param list<TimedRun> $runs  in order
     *
     * @return array<string, Verdict> by step
     */
    public static function verdicts(array $steps, array $runs): array
    {
        $verdicts = [];
        $stepOf = [];
        foreach ($steps as $step) {
            if ($step->window !== null) {
                $stepOf[$step->window->event] = $step->id;
            }
        }
        foreach ($runs as $run) {
            foreach ($run->intervals as $interval) {
                $id = $stepOf[$run->nameOf($interval)] ?? null;
                if ($id !== null && $interval->measuredMs !== null) {
                    $verdicts[$id] = $interval->verdict->value === 'pass' ? Verdict::AsExpected : Verdict::NotSo;
                }
            }
            foreach ($run->baits as $bait) {
                if ($bait->verdict !== 'void' && isset($stepOf['bait'])) {
                    $verdicts[$stepOf['bait']] = $bait->verdict === 'pass' ? Verdict::AsExpected : Verdict::NotSo;
                }
            }
        }

        return $verdicts;
    }

    /**
     * @param list<TimedRun> $runs
     *
     * @return list<int> every time that was taken of what a step asks, in ms
     */
    public static function measuredMs(Step $step, array $runs): array
    {
        $measured = [];
        foreach ($runs as $run) {
            foreach ($run->intervals as $interval) {
                if ($run->nameOf($interval) === $step->window?->event && $interval->measuredMs !== null) {
                    $measured[] = $interval->measuredMs;
                }
            }
        }

        return $measured;
    }
}
