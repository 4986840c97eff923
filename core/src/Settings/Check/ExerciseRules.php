<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Fuel;

/** The run that proves it starts, and what it does not prove. Rule: settings §1, exercise and quiet hours. */
final readonly class ExerciseRules implements Rules
{
    private const DAY_MS = 86_400_000;

    public function judge(CheckInput $in): array
    {
        if ($in->plant->engine === null) {
            return [];
        }
        $plan = $in->site->exercise;
        $set = $in->settings->exercise;
        if ($plan !== null) {
            [$gapDays, $lengthMin, $withLoad] = [$plan->everyDays, $plan->forMinutes, $plan->withLoad];
        } elseif ($set !== null) {
            [$gapDays, $lengthMin, $withLoad] = [$set->everyMs / self::DAY_MS, $set->forMs / 60_000, $set->withLoad];
        } else {
            return [$this->noExercise($in)];
        }

        return [
            $this->exerciseLongGap($in, $gapDays),
            $this->exerciseShort($in, $lengthMin, $withLoad),
            $this->exerciseNotALoadTest($in, $withLoad),
            $this->exerciseWetStacking($in, $gapDays, $lengthMin, $withLoad),
            $this->exerciseQuietHours($in),
        ];
    }

    private function noExercise(CheckInput $in): ?Finding
    {
        return ! $in->isStandby() ? null : new Finding(
            'no-exercise',
            Severity::Warn,
            'The engine is never exercised.',
            'A flat battery or stale fuel shows on the night of the storm.',
            '/settings/exercise',
        );
    }

    private function exerciseLongGap(CheckInput $in, int|float $gapDays): ?Finding
    {
        return $gapDays <= 31 ? null : $this->at(
            $in,
            'exercise-long-gap',
            Severity::Warn,
            'More than a month passes between two exercises.',
            'Seals dry, the battery sulphates, and a fault stays unseen for that long.',
            'every',
            'every_ms',
            2_678_400_000,
        );
    }

    private function exerciseShort(CheckInput $in, int|float $lengthMin, bool $withLoad): ?Finding
    {
        $limitMin = $in->site->fuel === Fuel::Diesel && $withLoad ? 30 : 10;

        return $lengthMin >= $limitMin ? null : $this->at(
            $in,
            'exercise-short',
            Severity::Warn,
            "The exercise is shorter than $limitMin minutes.",
            'The engine does not get warm; water stays in the oil and the exhaust.',
            'for_min',
            'for_ms',
            $limitMin * 60_000,
        );
    }

    private function exerciseNotALoadTest(CheckInput $in, bool $withLoad): ?Finding
    {
        return $withLoad || $in->site->loadTestsPerYear > 0 ? null : $this->at(
            $in,
            'exercise-not-a-load-test',
            Severity::Warn,
            'It runs without load, and no load test is planned.',
            'A run without load proves that it starts, not that it carries.',
            'with_load',
            'with_load',
            true,
        );
    }

    private function exerciseWetStacking(CheckInput $in, int|float $gapDays, int|float $lengthMin, bool $withLoad): ?Finding
    {
        $sootsUp = $in->site->fuel === Fuel::Diesel && ! $withLoad && $gapDays <= 7 && $lengthMin >= 20 && $in->site->loadTestsPerYear < 12;

        return ! $sootsUp ? null : $this->at(
            $in,
            'exercise-wet-stacking',
            Severity::Warn,
            'A diesel idles for 20 minutes or more every week.',
            'Cold cylinders soot up and fuel collects in the exhaust; it needs load to burn clean.',
            'with_load',
            'with_load',
            true,
        );
    }

    private function exerciseQuietHours(CheckInput $in): ?Finding
    {
        $plan = $in->site->exercise;
        foreach ($in->site->quietHours as $quiet) {
            if ($plan?->disturbs($quiet)) {
                return new Finding(
                    'exercise-quiet-hours',
                    Severity::Warn,
                    'The exercise falls into the quiet hours.',
                    'It is heard, and somebody will turn it off for good.',
                    '/site/exercise/time',
                );
            }
        }

        return null;
    }

    private function at(
        CheckInput $in,
        string $id,
        Severity $severity,
        string $message,
        string $because,
        string $siteKey,
        string $settingsKey,
        int|bool $fix,
    ): Finding {
        return $in->site->exercise !== null
            ? new Finding($id, $severity, $message, $because, "/site/exercise/$siteKey")
            : new Finding($id, $severity, $message, $because, "/settings/exercise/$settingsKey", ['exercise' => [$settingsKey => $fix]]);
    }
}
