<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;

/** Exactly when each set starts by itself. Rule: docs/rules.md#exercise-calendar. */
final class ExerciseCalendar
{
    /** A monthly weekday is up to five weeks and an hour apart. */
    private const LONG_GAP_DAYS = 36;

    /**
     * @param list<SwitchExercise> $switches
     * @param int                  $from     first day
     * @param int                  $to       last day
     */
    public function of(array $switches, int $from, int $to): CalculationResult
    {
        $findings = new Findings();
        $working = new Working();
        $told = [];
        $count = 0;
        $runH = 0.0;
        $raised = [];
        foreach ($switches as $switch) {
            $calendar = new SwitchCalendar($switch, $from, $to);
            $told[] = $calendar->told();
            $starts = count($calendar->occurrences);
            $count += $starts;
            $runH += $calendar->runH();
            $working->add("Hours of $switch->id", "$starts starts × {$switch->exercise->forMin} min / 60", $calendar->runH(), 'h');
            foreach ($this->raisedBy($calendar, $from) as $id) {
                $raised[$id][] = $switch->id;
            }
        }
        foreach ($raised as $id => $ids) {
            $findings->raise($id, ['which' => implode(', ', array_slice($ids, 0, 8))], $ids);
        }

        return new CalculationResult(['switches' => $told, 'count' => $count, 'run_h' => $runH], $findings->worstFirst(), $working->lines);
    }

    /** @return list<string> ids of findings */
    private function raisedBy(SwitchCalendar $calendar, int $from): array
    {
        $reasons = array_column($calendar->dropped, 1);
        $exercise = $calendar->switch->exercise;
        $any = static fn(\Closure $is): bool => array_filter($calendar->occurrences, $is) !== [];

        return array_keys(array_filter([
            'no-occurrence' => $calendar->occurrences === [],
            'long-gap' => ($calendar->longestGapDays() ?? 0) > self::LONG_GAP_DAYS,
            'dst-gap' => in_array('dst_gap', $reasons, true) || $any(static fn(Occurrence $one): bool => $one->isShifted),
            'dst-overlap' => $any(static fn(Occurrence $one): bool => $one->isTwice),
            'clock-not-dst' => $exercise->isStandard && $calendar->switch->zone->hasSummerTime(Day::year($from)),
            'day-clamped' => $calendar->isClamped,
            'exercise-moved' => $any(static fn(Occurrence $one): bool => $one->movedFrom !== null),
            'exercise-dropped' => array_diff($reasons, ['dst_gap']) !== [],
        ], static fn(bool $isSo): bool => $isSo));
    }
}
