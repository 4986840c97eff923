<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/**
 * What a dwelling or building asks for: by area and nameplates, by measurement, by a schedule of loads. Rule: loads §1.
 *
 * The optional method's article numbers differ by edition: confirm against the one adopted.
 */
final readonly class Demand
{
    private const MEASURED_LONG_ENOUGH_DAYS = 30;
    private const YEAR_DAYS = 365;
    private const HIDES_PEAKS_MIN = 15;
    private const SCHOOLS_APART = 0.25;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $system = System::read($in);
        $findings = new Findings();
        $working = new Working();
        $calculated = ($fields = $in->maybeObject('calculated')) === null ? null : $this->calculated($fields, $system, $working);
        $measured = ($fields = $in->maybeObject('measured')) === null ? null : $this->measured($fields, $system, $findings, $working);
        $currents = ($fields = $in->maybeObject('schedule')) === null ? null : $this->schedule($fields, $system);
        $prefer = $in->oneOf('prefer', ['largest', 'calculated', 'measured', 'schedule'], 'largest');
        $imbalanceLimitPct = $in->n0('imbalance_limit_pct', 20.0);
        $in->close();
        $schedule = $currents === null ? null : $this->scheduled($currents, $working);
        /** @var array<string, array{demand_kva: float, demand_a: float}> $sections */
        $sections = array_filter(['calculated' => $calculated, 'measured' => $measured, 'schedule' => $schedule], static fn(?array $section): bool => $section !== null);
        if ($sections === []) {
            throw $input->bad('One of calculated, measured and schedule is needed.');
        }
        if ($prefer !== 'largest' && ! isset($sections[$prefer])) {
            throw $in->at('prefer')->bad("There is no section \"$prefer\" here.");
        }
        $from = $prefer;
        if ($from === 'largest') {
            $mostKva = -INF;
            foreach ($sections as $name => $section) {
                [$from, $mostKva] = $section['demand_kva'] > $mostKva ? [$name, $section['demand_kva']] : [$from, $mostKva];
            }
        }
        if ($calculated !== null && $measured !== null) {
            $larger = max($calculated['demand_kva'], $measured['demand_kva']);
            if (Slack::exceeds(abs($calculated['demand_kva'] - $measured['demand_kva']), self::SCHOOLS_APART * $larger)) {
                $findings->note('schools-differ', sprintf('Calculated %.1f kVA, measured %.1f kVA', $calculated['demand_kva'], $measured['demand_kva']), 'The two schools are more than a quarter apart: look for a load that was not there while it was measured, or nameplates that never run.');
            }
        }
        if ($currents !== null) {
            $this->judge($currents, $system, $imbalanceLimitPct, $findings);
        }

        return new Answer([
            'calculated' => $calculated, 'measured' => $measured, 'schedule' => $schedule,
            'design_kva' => $sections[$from]['demand_kva'], 'design_a' => $sections[$from]['demand_a'], 'design_from' => $from,
        ], $findings->all(), $working->lines);
    }

    /** @return array{general_kva: float, base_kva: float, hvac_kva: float, hvac_case: string, demand_kva: float, demand_a: float} */
    private function calculated(Fields $in, System $system, Working $working): array
    {
        $isNew = $in->oneOf('rule', ['ten', 'eight'], 'ten') === 'ten';
        $areaFt2 = $in->n0('floor_area_ft2', 0.0);
        $vaPerFt2 = $in->n0('va_per_ft2', 3.0);
        $circuits = $in->int('small_appliance_circuits', 0, 50, 2) + $in->int('laundry_circuits', 0, 50, 1);
        $vaPerCircuit = $in->n0('va_per_circuit', 1500.0);
        $appliancesKva = array_sum($in->each('appliances', 0, 200, static function (Fields $one): float {
            $one->text('id');

            return $one->n0('kva');
        }));
        $restPct = $in->pct('rest_pct', 40.0);
        $hvac = $in->maybeObject('hvac');
        $candidates = $hvac === null ? [] : $this->hvac($hvac, $isNew);
        $isHvacNew = $hvac?->bool('hvac_new', true) ?? true;
        $hvac?->close();
        $in->close();
        $hvacCase = 'none';
        $hvacKva = 0.0;
        foreach ($candidates as $name => $kva) {
            if ($kva > $hvacKva) {
                [$hvacCase, $hvacKva] = [$name, $kva];
            }
        }
        $generalKva = ($areaFt2 * $vaPerFt2 + $circuits * $vaPerCircuit) / 1000 + $appliancesKva;
        $firstKva = $isNew ? 10.0 : 8.0;
        $isInGeneral = ! $isNew && ! $isHvacNew;
        $split = $generalKva + ($isInGeneral ? $hvacKva : 0.0);
        $baseKva = min($split, $firstKva) + max(0.0, $split - $firstKva) * $restPct / 100;
        $demandKva = $baseKva + ($isInGeneral ? 0.0 : $hvacKva);
        $working->add('General load', sprintf('(%g ft² × %g VA + %d circuits × %g VA) / 1000 + %g kVA of appliances', $areaFt2, $vaPerFt2, $circuits, $vaPerCircuit, $appliancesKva), $generalKva, 'kVA');
        $working->add('Demand by calculation', sprintf('first %g kVA at 100 %%, the rest at %g %%%s', $firstKva, $restPct, $hvacCase === 'none' ? '' : ", and $hvacCase " . round($hvacKva, 2) . ' kVA'), $demandKva, 'kVA');

        return [
            'general_kva' => $generalKva, 'base_kva' => $baseKva, 'hvac_kva' => $hvacKva, 'hvac_case' => $hvacCase,
            'demand_kva' => $demandKva, 'demand_a' => 1000 * $demandKva / $system->vAllLegs(),
        ];
    }

    /** @return array<string, float> the candidates in the order of the rule */
    private function hvac(Fields $in, bool $isNew): array
    {
        $coolingKva = $in->n0('cooling_kva', 0.0);
        $pumpKva = $in->n0('heat_pump_kva', 0.0);
        $k = $isNew ? 0.65 : 1.0;
        $supplementalKva = $k * $in->n0('supplemental_kva', 0.0);
        $heatingKva = $in->n0('heating_kva', 0.0);
        $storageKva = $in->n0('thermal_storage_kva', 0.0);
        $units = $in->int('heating_units', 1, 100, 1);
        $isInterlocked = $in->bool('supplemental_interlocked', false);

        return [
            'cooling' => $coolingKva,
            'heat_pump' => $isInterlocked ? max($pumpKva, $supplementalKva) : $pumpKva + $supplementalKva,
            'heating' => $heatingKva * ($isNew ? ($units < 4 ? 0.65 : 0.4) : 1.0),
            'thermal_storage' => $storageKva,
        ];
    }

    /** @return array{peak_kva: float, demand_kva: float, demand_a: float} */
    private function measured(Fields $in, System $system, Findings $findings, Working $working): array
    {
        $peakKw = $in->maybeN0('peak_kw');
        $peakA = $in->maybeN0('peak_a');
        $pf = $in->number('pf', 0.05, 1, 1.0);
        $factor = $in->number('factor', 1, 2, 1.25);
        $days = $in->int('period_days', 1, 3660, self::YEAR_DAYS);
        $intervalMin = $in->np('interval_min', 15.0);
        $includesHvac = $in->bool('includes_hvac', true);
        $newKva = $in->n0('new_kva', 0.0);
        $in->close();
        if (($peakKw === null) === ($peakA === null)) {
            throw $in->node->bad('Exactly one of peak_kw and peak_a is needed.');
        }
        $peakKva = $peakKw !== null ? $peakKw / $pf : (float) $peakA * $system->vAllLegs() / 1000;
        $demandKva = $peakKva * $factor + $newKva;
        $working->add('Demand by measurement', sprintf('%g kVA peak × %g + %g kVA new', $peakKva, $factor, $newKva), $demandKva, 'kVA');
        if ($days < self::MEASURED_LONG_ENOUGH_DAYS) {
            $findings->warn('record-too-short', "Only $days days were recorded", 'Thirty days are the least that shows a month of habits. Record longer, or calculate.');
        } elseif ($days < self::YEAR_DAYS) {
            $findings->note('record-under-year', "$days days were recorded, not a year", 'Add the season that was not recorded: heating or cooling can be the peak.');
        }
        if ($days < self::YEAR_DAYS && ! $includesHvac) {
            $findings->warn('record-no-hvac', 'Heating and cooling did not run while it was recorded', 'They are often the largest load. Add them as new load.');
        }
        if (Slack::exceeds($intervalMin, self::HIDES_PEAKS_MIN)) {
            $findings->warn('interval-long', sprintf('The readings are averages of %g min', $intervalMin), 'Averages over more than 15 minutes hide the peaks that trip a generator.');
        }

        return ['peak_kva' => $peakKva, 'demand_kva' => $demandKva, 'demand_a' => 1000 * $demandKva / $system->vAllLegs()];
    }

    private function schedule(Fields $in, System $system): LegCurrents
    {
        $loads = $in->each('loads', 1, 500, static function (Fields $one) use ($system): LegLoad {
            $load = LegLoad::read($one, $system);

            return $load->scaled($one->number('demand_pct', 0, 200, 100.0) / 100);
        }, isOptional: false);
        $in->close();

        return new LegCurrents($system, $loads);
    }

    /** @return array{kw: float, kvar: float, demand_kva: float, demand_a: float, leg_a: list<float>, leg_arith_a: list<float>, imbalance_pct: float, neutral_fundamental_a: float, neutral_triplen_a: float, neutral_a: float} */
    private function scheduled(LegCurrents $currents, Working $working): array
    {
        $demandA = max([0.0, ...$currents->legA]);
        $working->add('Demand by schedule', sprintf('√(%g² kW + %g² kvar)', round($currents->kw, 3), round($currents->kvar, 3)), $currents->kva(), 'kVA');
        $working->add('Largest leg', 'the largest of ' . implode(', ', array_map(static fn(float $a): string => (string) round($a, 1), $currents->legA)) . ' A', $demandA, 'A');

        return [
            'kw' => $currents->kw, 'kvar' => $currents->kvar, 'demand_kva' => $currents->kva(), 'demand_a' => $demandA, 'leg_a' => $currents->legA,
            'leg_arith_a' => $currents->arithmeticA, 'imbalance_pct' => $currents->imbalancePct, 'neutral_fundamental_a' => $currents->neutralFundamentalA,
            'neutral_triplen_a' => $currents->neutralTriplenA, 'neutral_a' => $currents->neutralA,
        ];
    }

    private function judge(LegCurrents $currents, System $system, float $imbalanceLimitPct, Findings $findings): void
    {
        if (Slack::exceeds($currents->imbalancePct, $imbalanceLimitPct)) {
            $findings->warn('imbalance', sprintf('One leg is %.0f %% off the mean', $currents->imbalancePct), 'The fuller leg limits the source while the other idles. Move circuits between the legs.');
        }
        if (! Slack::exceeds($currents->neutralTriplenA, 0)) {
            return;
        }
        if ($system->name === 'three' && Slack::exceeds($currents->neutralA, max([0.0, ...$currents->legA]))) {
            $findings->warn('neutral-over-leg', sprintf('The neutral carries %.0f A, more than any leg', $currents->neutralA), 'Third harmonics add up in the neutral: it can burn while no breaker trips. Size it for this current.');
        } else {
            $findings->note('triplen', sprintf('Third harmonics put %.0f A on the neutral', $currents->neutralTriplenA), 'They come from electronics and lamps. Count the neutral as a current-carrying conductor.');
        }
    }
}
