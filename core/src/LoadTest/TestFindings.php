<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Tolerance;

/** What the readings of a load test say beyond its requirements. Rule: docs/rules.md#load-test-evaluate. */
final readonly class TestFindings
{
    private const WET_STACKING_MIN = 30;
    private const USUAL_EXHAUST_C = 315.0;
    private const WARM_AFTER_S = 900;
    private const OIL_FROM_S = 600;
    private const OIL_SHARE = 0.8;
    private const CHARGING = 1.08;

    private TestLimits $limits;
    private Findings $findings;

    public function __construct(private LoadTestInput $in, private TestRecord $record)
    {
        $this->limits = $in->limits;
        $this->findings = new Findings();
    }

    /**
     * @param list<int>                  $lowIntervals by their first reading
     * @param null|array<string, ?float> $comparison
     *
     * @return list<Finding>
     */
    public function all(float $lowMin, array $lowIntervals, ?array $comparison): array
    {
        $this->wetStacking($lowMin, $lowIntervals);
        $this->engine();
        $this->current();
        $this->steps();
        $this->record();
        if ($comparison !== null && $this->isWorse($comparison)) {
            $this->findings->raise('worse-than-last');
        }
        if (Tolerance::isBelow($this->record->maxLoadPct(), 10)) {
            $this->findings->raise('not-a-load-test', ['load_pct' => $this->record->maxLoadPct()]);
        }
        if ($this->in->base->profile->isOfCode()) {
            $this->findings->raise('load-test-evaluate/confirm-edition');
        }

        return $this->findings->worstFirst();
    }

    /** @param list<int> $lowIntervals */
    private function wetStacking(float $lowMin, array $lowIntervals): void
    {
        if (! $this->in->base->isDiesel() || Tolerance::isBelow($lowMin, self::WET_STACKING_MIN)) {
            return;
        }
        $hotC = $this->limits->minExhaustC ?? self::USUAL_EXHAUST_C;
        foreach ($lowIntervals as $i) {
            foreach ([$this->in->readings[$i], $this->in->readings[$i + 1]] as $reading) {
                if ($reading->exhaustC !== null && ! Tolerance::isBelow($reading->exhaustC, $hotC)) {
                    return;
                }
            }
        }
        $this->findings->raise('wet-stacking-risk', ['minutes' => $lowMin]);
    }

    private function engine(): void
    {
        $this->coolant();
        $this->oil();
        $battery = $this->record->worst->batteryV;
        if ($battery !== null && Tolerance::isBelow($battery, self::CHARGING * $this->limits->batteryNominalV)) {
            $this->findings->raise('battery-not-charging', ['v' => $battery]);
        }
    }

    private function coolant(): void
    {
        $readings = $this->in->readings;
        $coolant = $this->record->worst->coolantC;
        $last = $coolant === [] ? null : $coolant[count($coolant) - 1];
        $lastsS = $readings[count($readings) - 1]->tS - $readings[0]->tS;
        if ($last !== null && Tolerance::isBelow($last, $this->limits->minCoolantC) && ! Tolerance::isBelow($lastsS, self::WARM_AFTER_S)) {
            $this->findings->raise('coolant-cold', ['coolant' => $last, 'min' => $this->limits->minCoolantC]);
        }
        if ($coolant !== [] && Tolerance::exceeds(max($coolant), $this->limits->maxCoolantC)) {
            $this->findings->raise('coolant-hot', ['coolant' => max($coolant), 'max' => $this->limits->maxCoolantC]);
        }
    }

    private function oil(): void
    {
        $readings = $this->in->readings;
        $oil = $this->record->worst->oilKpa;
        if ($oil !== [] && Tolerance::isBelow(min($oil), $this->limits->minOilKpa)) {
            $this->findings->raise('oil-low', ['oil' => min($oil), 'min' => $this->limits->minOilKpa]);
        }
        $warm = [];
        foreach ($readings as $reading) {
            if ($reading->oilKpa !== null && $reading->tS >= $readings[0]->tS + self::OIL_FROM_S) {
                $warm[] = $reading->oilKpa;
            }
        }
        if ($warm !== [] && $oil !== [] && Tolerance::isBelow($oil[count($oil) - 1], self::OIL_SHARE * max($warm))) {
            $this->findings->raise('oil-falling', ['oil' => $oil[count($oil) - 1], 'most' => max($warm)]);
        }
    }

    private function current(): void
    {
        $unbalance = $this->record->worst->vUnbalancePct;
        if (Tolerance::exceeds($unbalance, 2)) {
            $severity = Tolerance::exceeds($unbalance, 5) ? Severity::Stop : Severity::Warn;
            $this->findings->raise('load-test-evaluate/v-unbalance', ['pct' => $unbalance], severity: $severity);
        }
        $load = $this->record->maxLoadPct();
        if (Tolerance::exceeds($load, 100)) {
            $severity = Tolerance::exceeds($load, 105) ? Severity::Stop : Severity::Warn;
            $this->findings->raise('load-test-evaluate/overload', ['load_pct' => $load], severity: $severity);
        }
        $ratedA = $this->limits->ratedA;
        $mostA = max(array_merge([0.0], ...array_map(static fn(TestReading $one): array => $one->aA, $this->in->readings)));
        if ($ratedA !== null && Tolerance::exceeds($mostA, $ratedA)) {
            $isOver = Tolerance::exceeds($mostA, 1.05 * $ratedA);
            $this->findings->raise($isOver ? 'load-test-evaluate/leg-overload' : 'leg-at-limit', ['a' => $mostA, 'rated' => $ratedA]);
        }
    }

    private function steps(): void
    {
        $isDiesel = $this->in->base->isDiesel();
        foreach ($this->in->steps as $step) {
            $met = $step->classMet($this->limits->nominalV, $this->limits->nominalHz, $isDiesel);
            if (GovernorClass::rank($met) < GovernorClass::rank($this->limits->class)) {
                $figures = ['class' => $this->limits->class->value];
                $this->findings->raise('load-test-evaluate/dip-fails-class', $figures, [(string) $step->tS]);
            }
        }
        if ($this->in->steps !== [] && ! $isDiesel) {
            $this->findings->raise('spark-by-agreement');
        }
    }

    private function record(): void
    {
        $gaps = count($this->in->readings) - 1 - count($this->record->proved());
        if ($gaps > 0) {
            $this->findings->raise('load-test-evaluate/reading-gap', ['minutes' => $this->limits->maxGapS / 60]);
        }
        $drift = $this->record->drift();
        if (Tolerance::exceeds(abs($drift['v']), 0.02 * $this->limits->nominalV)) {
            $this->findings->raise('drift-voltage', ['v' => $drift['v']]);
        }
        if (Tolerance::exceeds(abs($drift['hz']), 0.01 * $this->limits->nominalHz)) {
            $this->findings->raise('drift-frequency', ['hz' => $drift['hz']]);
        }
    }

    /** @param array<string, ?float> $comparison */
    private function isWorse(array $comparison): bool
    {
        $by = static fn(string $key): float => $comparison[$key] ?? 0.0;
        $tenth = fn(string $key): float => abs(0.1 * ($this->in->previous[$key] ?? 0.0));

        return Tolerance::exceeds($by('regulation_pct'), 1) || Tolerance::exceeds($by('droop_pct'), 1)
            || Tolerance::exceeds($by('coolant_c'), 5)
            || isset($comparison['oil_kpa']) && Tolerance::exceeds(-$by('oil_kpa'), $tenth('oil_kpa'))
            || isset($comparison['exhaust_c']) && Tolerance::exceeds($by('exhaust_c'), $tenth('exhaust_c'));
    }
}
