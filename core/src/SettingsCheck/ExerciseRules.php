<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Settings\Fuel;

/** The run that proves it starts, and what it does not prove. Rule: docs/rules.md#settings-delays. */
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
        return ! $in->isStandby() ? null : Register::finding(
            'no-exercise',
            path: '/settings/exercise',
        );
    }

    private function exerciseLongGap(CheckInput $in, int|float $gapDays): ?Finding
    {
        return $gapDays <= 31 ? null : $this->at(
            $in,
            'exercise-long-gap',
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
            'for_min',
            'for_ms',
            $limitMin * 60_000,
            ['limit_min' => $limitMin],
        );
    }

    private function exerciseNotALoadTest(CheckInput $in, bool $withLoad): ?Finding
    {
        return $withLoad || $in->site->loadTestsPerYear > 0 ? null : $this->at(
            $in,
            'exercise-not-a-load-test',
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
            'with_load',
            'with_load',
            true,
        );
    }

    private function exerciseQuietHours(CheckInput $in): ?Finding
    {
        $plan = $in->site->exercise;
        foreach ($in->site->quietHours as $quiet) {
            if ($plan?->disturbs($quiet) === true) {
                return Register::finding(
                    'exercise-quiet-hours',
                    path: '/site/exercise/time',
                );
            }
        }

        return null;
    }

    /** @param array<string, int> $figures */
    private function at(CheckInput $in, string $id, string $siteKey, string $settingsKey, int|bool $fix, array $figures = []): Finding
    {
        return $in->site->exercise !== null
            ? Register::finding($id, $figures, path: "/site/exercise/$siteKey")
            : Register::finding($id, $figures, path: "/settings/exercise/$settingsKey", fix: ['exercise' => [$settingsKey => $fix]]);
    }
}
