<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/**
 * Which elements to switch when, when to read, how long, and how much fuel: the bank adds to the building, and the figure of a step is
 * the total of both. Rule: docs/rules.md#load-test-plan.
 */
final readonly class LoadTestPlan
{
    private const OVERLOAD = 1.05;
    private const WET_STACKING_PCT = 30;
    /** Below it a run "with load" proves only that the engine runs. */
    public const LEAST_LOAD_PCT = 10;
    private const HOUR_MIN = 60;

    public function plan(LoadTestPlanInput $in): LoadTestPlanResult
    {
        $working = new Working();
        $steps = $this->steps($in, $working);
        $needed = $this->fuel($in, $steps, $working);
        $every = $in->readEveryMin ?? $in->base->profile->readEveryMin();
        $early = $in->readEveryMin === null ? $in->base->profile->readEarlyMin() : null;
        $findings = new Findings();
        $this->judgeSteps($in, $steps, $findings);
        if ($in->fuelAvailable !== null && Tolerance::isBelow($in->fuelAvailable, $needed)) {
            $findings->raise('load-test-plan/fuel-short', [
                'needed' => $needed, 'available' => $in->fuelAvailable, 'unit' => $in->fuelUnit,
            ]);
        }
        $this->judgeLoad($in, $steps, $findings);
        $this->judgeProfile($in, $steps, $findings);

        return new LoadTestPlanResult(
            $in->base->basis,
            $steps,
            $in->totalMin(),
            $every,
            $early,
            (new ReadingTimes($every, $early))->of($steps),
            $needed,
            $in->fuelUnit,
            $in->base->proof(),
            $findings->worstFirst(),
            $working->lines,
        );
    }

    /** @return list<PlannedStep> */
    private function steps(LoadTestPlanInput $in, Working $working): array
    {
        $bank = new BankElements($in->bankElementsKw);
        $buildingKw = $in->usesBuilding ? $in->buildingKw : 0.0;
        $baseKw = $in->base->kw();
        $startS = 60 * $in->warmupMin;
        $steps = [];
        foreach ($in->base->steps as $step) {
            $targetKw = $step->levelPct / 100 * $baseKw;
            $neededKw = max(0.0, $targetKw - $buildingKw);
            $watts = (int) ceil(1000 * $neededKw - 1e-6);
            $elements = $bank->reaching($watts);
            $bankKw = $bank->kwOf($elements);
            $isShort = 1000 * $bankKw < $watts - 0.5;
            $kw = $buildingKw + $bankKw;
            $endS = $startS + 60 * $step->minutes;
            $steps[] = new PlannedStep(
                $step->levelPct,
                $step->minutes,
                $targetKw,
                $bankKw,
                $elements,
                $kw,
                100 * $kw / $baseKw,
                $isShort ? $neededKw - $bankKw : 0.0,
                $startS,
                $endS,
            );
            $working->add(
                sprintf('Bank at %g %%', $step->levelPct),
                sprintf('%.4g %% × %.6g kW − %.4g kW of the building', $step->levelPct, $baseKw, $buildingKw),
                $bankKw,
                'kW',
            );
            $startS = $endS;
        }

        return $steps;
    }

    /** @param list<PlannedStep> $steps */
    private function fuel(LoadTestPlanInput $in, array $steps, Working $working): float
    {
        $key = ['l' => 'l_h', 'gal' => 'gal_h', 'ft3' => 'ft3_h', 'm3' => 'm3_h', 'btu' => 'btuh'][$in->fuelUnit];
        $needed = (float) $in->use->rate(0)[$key] * ($in->warmupMin + $in->cooldownMin) / self::HOUR_MIN;
        foreach ($steps as $step) {
            $needed += (float) $in->use->rate(100 * $step->kw / $in->base->nameplateKw)[$key] * $step->minutes / self::HOUR_MIN;
        }
        $working->add('Fuel', 'each step at its rate, warm-up and cool-down without load', $needed, $in->fuelUnit);

        return $needed;
    }

    /** @param list<PlannedStep> $steps */
    private function judgeSteps(LoadTestPlanInput $in, array $steps, Findings $findings): void
    {
        $shortKw = max([0.0, ...array_map(static fn(PlannedStep $step): float => $step->shortKw, $steps)]);
        if (Tolerance::exceeds($shortKw, 0)) {
            $findings->raise('bank-too-small', ['short' => $shortKw]);
        }
        $mostKw = max([0.0, ...array_map(static fn(PlannedStep $step): float => $step->kw, $steps)]);
        if (Tolerance::exceeds($mostKw, $in->base->usableKw)) {
            $isStop = Tolerance::exceeds($mostKw, self::OVERLOAD * $in->base->usableKw);
            $findings->raise(
                'over-rating',
                ['kw' => $mostKw, 'usable' => $in->base->usableKw],
                severity: $isStop ? Severity::Stop : Severity::Warn,
            );
        }
        $mostBankKw = max([0.0, ...array_map(static fn(PlannedStep $step): float => $step->bankKw, $steps)]);
        $usesBank = Tolerance::exceeds($mostBankKw, 0);
        if (! $in->usesBuilding && $in->isBankOnLoad && Tolerance::exceeds($in->buildingKw, 0) && $usesBank) {
            $isStop = Tolerance::exceeds($mostBankKw + $in->buildingKw, self::OVERLOAD * $in->base->usableKw);
            $findings->raise(
                'building-not-counted',
                ['building' => $in->buildingKw],
                severity: $isStop ? Severity::Stop : Severity::Warn,
            );
        }
        if ($usesBank && ! $in->dropsBank) {
            $findings->raise('bank-not-dropped');
        }
    }

    /** @param list<PlannedStep> $steps */
    private function judgeLoad(LoadTestPlanInput $in, array $steps, Findings $findings): void
    {
        $leastKw = self::WET_STACKING_PCT / 100 * $in->base->nameplateKw;
        $low = array_filter($steps, static fn(PlannedStep $step): bool => Tolerance::isBelow($step->kw, $leastKw));
        if ($in->base->isDiesel() && $low !== []) {
            $findings->raise('wet-stacking', ['least_kw' => $leastKw]);
        }
        $mostPct = max([0.0, ...array_map(static fn(PlannedStep $step): float => $step->loadPct, $steps)]);
        $withLoad = array_filter($in->base->proof(), static fn(ProofRow $row): bool => $row->withLoad);
        if ($withLoad !== [] && Tolerance::isBelow($mostPct, self::LEAST_LOAD_PCT)) {
            $findings->raise('no-load-for-it', ['load_pct' => $mostPct]);
        }
        $usesBank = array_filter($steps, static fn(PlannedStep $step): bool => Tolerance::exceeds($step->bankKw, 0)) !== [];
        if ($usesBank) {
            $findings->raise('unity-pf');
        }
        $lacks = array_filter($steps, static fn(PlannedStep $step): bool => Tolerance::exceeds($step->shortKw, 0)) !== [];
        $hasLevel = array_filter($steps, static fn(PlannedStep $step): bool => $step->levelPct > 0) !== [];
        if (! $usesBank && ! $lacks && $hasLevel) {
            $findings->raise('building-enough');
        }
    }

    /** @param list<PlannedStep> $steps */
    private function judgeProfile(LoadTestPlanInput $in, array $steps, Findings $findings): void
    {
        $profile = $in->base->profile;
        $isDiesel = $in->base->isDiesel();
        $is = [
            'cold-start-missing' => $profile === TestProfile::BuildingAcceptance && ! $in->isColdStart,
            'warm-up-in-cold-start' => $in->isColdStart && $in->warmupMin > 0,
            'spark-ignited' => $profile === TestProfile::MonthlyBuilding && ! $isDiesel,
            'not-for-this-fuel' => in_array($profile, [TestProfile::AnnualSupplemental, TestProfile::TriennialAnnual], true) && ! $isDiesel,
            'annual-not-needed' => $profile === TestProfile::AnnualSupplemental && $isDiesel && $in->isMonthlyMet,
            'class-shorter' => $in->base->classMin !== null && $in->base->classMin < TestProfile::LONG_MIN,
            'load-test-plan/confirm-edition' => $profile->isOfCode(),
        ];
        foreach (array_keys(array_filter($is)) as $id) {
            $findings->raise($id);
        }
    }
}
