<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\LegCurrents;

/**
 * What a dwelling or building asks for: by area and nameplates, by measurement, by a schedule of loads. Rule: docs/rules.md#demand.
 *
 * The methods' article numbers differ by edition: confirm against the one adopted.
 */
final readonly class Demand
{
    private const MEASURED_LONG_ENOUGH_DAYS = 30;
    private const YEAR_DAYS = 365;
    private const HIDES_PEAKS_MIN = 15;
    private const SCHOOLS_APART = 0.25;

    /** The optional method of a new dwelling: from this service on, and for these voltages. */
    private const TEN_FROM_A = 100;
    private const TEN_V = [110.0, 127.0];

    public function judge(DemandInput $in): DemandResult
    {
        $findings = new Findings();
        $working = new Working();
        $calculated = $in->calculated === null ? null : $this->calculated($in->calculated, $in->system, $findings, $working);
        $measured = $in->measured === null ? null : $this->measured($in->measured, $in->system, $findings, $working);
        $schedule = $in->schedule === null ? null : $this->scheduled(new LegCurrents($in->system, $in->schedule), $in, $findings, $working);
        if ($calculated !== null && $measured !== null) {
            $larger = max($calculated->demandKva, $measured->demandKva);
            if (Tolerance::exceeds(abs($calculated->demandKva - $measured->demandKva), self::SCHOOLS_APART * $larger)) {
                $findings->raise('schools-differ', ['demand_kva' => $calculated->demandKva, 'measured_kva' => $measured->demandKva]);
            }
        }
        $sections = array_filter(['calculated' => $calculated, 'measured' => $measured, 'schedule' => $schedule]);
        $from = $in->prefer === 'largest' ? self::largest($sections) : $in->prefer;
        $design = $sections[$from] ?? throw new \LogicException('One way at least is given, and the preferred one among them.');

        return new DemandResult(
            $calculated,
            $measured,
            $schedule,
            $design->demandKva,
            $design->demandA,
            $from,
            $findings->worstFirst(),
            $working->lines,
        );
    }

    /**
     * @param array<'calculated'|'measured'|'schedule', CalculatedDemand|MeasuredDemand|ScheduledDemand> $sections
     *
     * @return 'calculated'|'measured'|'schedule' the first of the largest
     */
    private static function largest(array $sections): string
    {
        $from = 'calculated';
        $most = -INF;
        foreach ($sections as $name => $section) {
            if ($section->demandKva > $most) {
                [$from, $most] = [$name, $section->demandKva];
            }
        }

        return $from;
    }

    private function calculated(CalculatedInput $in, LegSystem $system, Findings $findings, Working $working): CalculatedDemand
    {
        [$hvacCase, $hvacKva] = $in->hvac->largest($in->rule);
        $evKva = $in->chargersKva();
        $nameplatesKva = $in->lightingKva() + array_sum($in->appliances) + array_sum($in->ranges) + array_sum($in->dryers);
        if ($in->rule === DemandMethod::Standard) {
            $generalKva = $nameplatesKva;
            $baseKva = StandardMethod::baseKva($in);
            $demandKva = $baseKva + $hvacKva + $evKva;
        } else {
            $generalKva = $nameplatesKva + ($in->areChargersInRest ? $evKva : 0.0);
            $isHvacInGeneral = $in->rule === DemandMethod::Eight && ! $in->hvac->isNew;
            $split = $generalKva + ($isHvacInGeneral ? $hvacKva : 0.0);
            $first = $in->rule === DemandMethod::Ten ? 10.0 : 8.0;
            $baseKva = min($split, $first) + max(0.0, $split - $first) * $in->restPct / 100;
            $demandKva = $baseKva + ($isHvacInGeneral ? 0.0 : $hvacKva) + ($in->areChargersInRest ? 0.0 : $evKva);
        }
        $general = sprintf(
            '(%g ft² × %g VA + %d circuits × %g VA) / 1000 and the nameplates',
            $in->floorAreaFt2,
            $in->vaPerFt2,
            $in->circuits,
            $in->vaPerCircuit,
        );
        $working->add('General load', $general, $generalKva, 'kVA');
        $working->add('Demand by calculation', sprintf(
            '%s; %s %.4g kVA, vehicle chargers %.4g kVA',
            match ($in->rule) {
                DemandMethod::Ten => sprintf('first 10 kVA at 100 %%, the rest at %g %%', $in->restPct),
                DemandMethod::Eight => sprintf('first 8 kVA at 100 %%, the rest at %g %%', $in->restPct),
                DemandMethod::Standard => 'each kind of load by its own table',
            },
            $hvacCase === 'none' ? 'no heating or cooling' : str_replace('_', ' ', $hvacCase),
            $hvacKva,
            $evKva,
        ), $demandKva, 'kVA');
        $demandA = 1000 * $demandKva / $system->vAllLegs();
        $this->judgeMethod($in, $system, $demandA, $findings);

        return new CalculatedDemand($generalKva, $baseKva, $hvacKva, $hvacCase, $evKva, $demandKva, $demandA);
    }

    private function judgeMethod(CalculatedInput $in, LegSystem $system, float $demandA, Findings $findings): void
    {
        if ($in->rule === DemandMethod::Ten) {
            if (Tolerance::isBelow($demandA, self::TEN_FROM_A)) {
                $findings->raise('ten-minimum', ['demand_a' => $demandA]);
            }
            if ($system->name !== 'split' || $system->vLn < self::TEN_V[0] || $system->vLn > self::TEN_V[1]) {
                $findings->raise('ten-system');
            }
        }
        $managed = array_filter($in->chargers, static fn(VehicleCharger $one): bool => $one->limitKva !== null);
        if ($managed !== []) {
            $findings->raise('ev-managed', [], array_values(array_map(static fn(VehicleCharger $one): string => $one->id, $managed)));
        }
    }

    private function measured(MeasuredInput $in, LegSystem $system, Findings $findings, Working $working): MeasuredDemand
    {
        $peakKva = $in->peakKw !== null ? $in->peakKw / $in->pf : (float) $in->peakA * $system->vAllLegs() / 1000;
        $demandKva = $peakKva * $in->factor + $in->newKva;
        $working->add(
            'Demand by measurement',
            sprintf('%g kVA peak × %g + %g kVA new', $peakKva, $in->factor, $in->newKva),
            $demandKva,
            'kVA',
        );
        if ($in->periodDays < self::MEASURED_LONG_ENOUGH_DAYS) {
            $findings->raise('record-too-short', ['days' => $in->periodDays]);
        } elseif ($in->periodDays < self::YEAR_DAYS) {
            $findings->raise('record-under-year', ['days' => $in->periodDays]);
        }
        if ($in->periodDays < self::YEAR_DAYS && ! $in->includesHvac) {
            $findings->raise('record-no-hvac');
        }
        if (Tolerance::exceeds($in->intervalMin, self::HIDES_PEAKS_MIN)) {
            $findings->raise('interval-long', ['interval_min' => $in->intervalMin]);
        }

        return new MeasuredDemand($peakKva, $demandKva, 1000 * $demandKva / $system->vAllLegs());
    }

    private function scheduled(LegCurrents $currents, DemandInput $in, Findings $findings, Working $working): ScheduledDemand
    {
        $demandA = max([0.0, ...$currents->legA]);
        $power = sprintf('√(%g² kW + %g² kvar)', round($currents->kw, 3), round($currents->kvar, 3));
        $working->add('Demand by schedule', $power, $currents->kva(), 'kVA');
        $legs = implode(', ', array_map(static fn(float $a): string => (string) round($a, 1), $currents->legA));
        $working->add('Largest leg', "the largest of $legs A", $demandA, 'A');
        if (Tolerance::exceeds($currents->imbalancePct, $in->imbalanceLimitPct)) {
            $findings->raise('imbalance', ['imbalance_pct' => $currents->imbalancePct]);
        }
        if (Tolerance::exceeds($currents->neutralTriplenA, 0)) {
            $in->system->name === 'three' && Tolerance::exceeds($currents->neutralA, $demandA)
                ? $findings->raise('demand/neutral-over-leg', ['neutral_a' => $currents->neutralA])
                : $findings->raise('triplen', ['neutral_triplen_a' => $currents->neutralTriplenA]);
        }

        return new ScheduledDemand(
            $currents->kw,
            $currents->kvar,
            $currents->kva(),
            $demandA,
            $currents->legA,
            $currents->arithmeticA,
            $currents->imbalancePct,
            $currents->neutralFundamentalA,
            $currents->neutralTriplenA,
            $currents->neutralA,
        );
    }
}
