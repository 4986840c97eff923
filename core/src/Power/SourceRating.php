<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Wiring\StandardSizes;

/** What a machine gives at this site on this fuel, or a battery station through its outlet. Rule: docs/rules.md#source-rating. */
final readonly class SourceRating
{
    /** Rating relative to petrol, where the maker gives none for the fuel. To be confirmed with the maker. */
    private const FUEL_FACTORS = ['petrol' => 1.0, 'lp' => 0.9, 'natural_gas' => 0.8];
    /** Generic slopes: % per 1000 ft above free ft, % per 10 °C above free °C. To be confirmed with the maker. */
    private const SLOPES = [
        'spark natural' => [3.5, 0, 1.8, 16],
        'spark turbo' => [2, 3000, 1.8, 25],
        'diesel natural' => [3.5, 500, 1.8, 25],
        'diesel turbo' => [3, 3000, 1.8, 40],
    ];
    private const HEAVY = 0.8;
    private const AVERAGE_LIMIT = 0.7;

    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only(['kind', 'system', 'v_ln_v', 'generator', 'inverter']);
        $kind = $in->oneOf('kind', ['generator', 'inverter']);
        $system = LegSystem::read($in);
        if ($kind === 'generator') {
            $read = $this->generatorFields($in->object('generator'), $system);
            $this->refuse($in, 'inverter');

            return $this->generator($read, $system);
        }
        $inverter = $in->object('inverter');
        $read = $this->inverterFields($inverter);
        $this->refuse($in, 'generator');
        $this->refuseContradictions($inverter, $read);

        return $this->inverter($read, $system->vLn);
    }

    private function refuse(Fields $in, string $other): void
    {
        if ($in->has($other)) {
            throw $in->at($other)->bad("This is not about a source of the kind \"$other\".");
        }
    }

    /**
     * @return array{fuel: string, ratings: array<string, float>, node: Node, ratedPf: float, alternatorKva: ?float,
     *     altitudeFt: float, tempC: float, slopes: list<float>, hasMakersAltitude: bool, hasMakersTemp: bool, isAdded: bool,
     *     alternatorFactor: float, loadPf: float, breakerA: ?float, breakerPct: float, planPct: float, averageKw: ?float,
     *     duty: string}
     */
    private function generatorFields(Fields $in, LegSystem $system): array
    {
        $in->only([
            'fuel',
            'ratings_kw',
            'rated_pf',
            'alternator_kva',
            'altitude_ft',
            'temp_c',
            'aspiration',
            'altitude_pct_per_1000_ft',
            'altitude_free_ft',
            'temp_pct_per_10_c',
            'temp_free_c',
            'combine',
            'alternator_factor',
            'load_pf',
            'breaker_a',
            'continuous_load',
            'breaker_continuous_pct',
            'plan_to_pct',
            'average_kw', 'duty',
        ]);
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        $ratingsIn = $in->object('ratings_kw')->only(['natural_gas', 'lp', 'petrol', 'diesel']);
        $ratings = [];
        foreach (['natural_gas', 'lp', 'petrol', 'diesel'] as $name) {
            $kw = $ratingsIn->maybeNp($name);
            if ($kw !== null) {
                $ratings[$name] = $kw;
            }
        }
        if ($ratings === []) {
            throw $ratingsIn->node->bad('At least one rating is needed.');
        }
        $ratedPf = $in->number('rated_pf', 0.1, 1, $system->name === 'three' ? 0.8 : 1.0);
        $alternatorKva = $in->maybeNp('alternator_kva');
        $altitudeFt = $in->number('altitude_ft', -1500, 20_000, 0.0);
        $tempC = $in->number('temp_c', -60, 70, 25.0);
        $aspiration = $in->oneOf('aspiration', ['natural', 'turbo'], $fuel === 'diesel' ? 'turbo' : 'natural');
        $generic = self::SLOPES[($fuel === 'diesel' ? 'diesel' : 'spark') . " $aspiration"];
        $hasMakersAltitude = $in->has('altitude_pct_per_1000_ft');
        $slopes = [$in->n0('altitude_pct_per_1000_ft', $generic[0]), $in->n0('altitude_free_ft', $generic[1])];
        $hasMakersTemp = $in->has('temp_pct_per_10_c');
        array_push($slopes, $in->n0('temp_pct_per_10_c', $generic[2]), $in->n0('temp_free_c', $generic[3]));
        $read = [
            'fuel' => $fuel,
            'ratings' => $ratings,
            'node' => $ratingsIn->node,
            'ratedPf' => $ratedPf,
            'alternatorKva' => $alternatorKva,
            'altitudeFt' => $altitudeFt,
            'tempC' => $tempC,
            'slopes' => $slopes, 'hasMakersAltitude' => $hasMakersAltitude, 'hasMakersTemp' => $hasMakersTemp,
            'isAdded' => $in->oneOf('combine', ['multiply', 'add'], 'multiply') === 'add',
            'alternatorFactor' => $in->number('alternator_factor', 0.1, 1, 1.0),
            'loadPf' => $in->number('load_pf', 0.05, 1, 1.0),
            'breakerA' => $in->maybeNp('breaker_a'),
            'breakerPct' => $in->number('breaker_continuous_pct', 50, 100, $in->bool('continuous_load', false) ? 80.0 : 100.0),
            'planPct' => $in->number('plan_to_pct', 1, 100, 100.0),
            'averageKw' => $in->maybeN0('average_kw'),
            'duty' => $in->oneOf('duty', ['standby', 'prime', 'continuous'], 'standby'),
        ];

        return $read;
    }

    /**
     * @param array{fuel: string, ratings: array<string, float>, node: Node, ratedPf: float, alternatorKva: ?float,
     *     altitudeFt: float, tempC: float, slopes: list<float>, hasMakersAltitude: bool, hasMakersTemp: bool, isAdded: bool,
     *     alternatorFactor: float, loadPf: float, breakerA: ?float, breakerPct: float, planPct: float, averageKw: ?float,
     *     duty: string} $g
     */
    private function generator(array $g, LegSystem $system): CalculationResult
    {
        $findings = new Findings();
        $working = new Working();
        $ratedKw = $this->rated($g, $findings, $working);
        $alternator = $g['alternatorKva'] ?? max(0.0, ...array_values($g['ratings'])) / $g['ratedPf'];
        [$altitudeSlope, $altitudeFree, $tempSlope, $tempFree] = $g['slopes'];
        $a = $altitudeSlope * max(0.0, $g['altitudeFt'] - $altitudeFree) / 1000 / 100;
        $t = $tempSlope * max(0.0, $g['tempC'] - $tempFree) / 10 / 100;
        $factor = $g['isAdded'] ? max(0.0, 1 - $a - $t) : max(0.0, 1 - $a) * max(0.0, 1 - $t);
        $engineKw = $ratedKw * $factor;
        $working->add(
            'Engine at this site',
            sprintf(
                '%g kW × (1 − %.4g) %s (1 − %.4g): %g ft, %g °C',
                $ratedKw,
                $a,
                $g['isAdded'] ? 'less' : '×',
                $t,
                $g['altitudeFt'],
                $g['tempC'],
            ),
            $engineKw,
            'kW',
        );
        $altKva = $alternator * $g['alternatorFactor'];
        $breakerKva = $g['breakerA'] === null ? null : $g['breakerA'] * $g['breakerPct'] / 100 * $system->vAllLegs() / 1000;
        $usableKva = min($altKva, $breakerKva ?? INF);
        $usableKw = min($engineKw, $usableKva * $g['loadPf']);
        $limitedBy = match (true) {
            ! Tolerance::exceeds($engineKw, $usableKva * $g['loadPf']) => 'engine',
            $breakerKva === null || ! Tolerance::exceeds($altKva, $breakerKva) => 'alternator',
            default => 'breaker',
        };
        $working->add(
            'Usable',
            sprintf(
                'least of engine %.4g kW, alternator %.4g kVA%s, at a power factor of %g',
                $engineKw,
                $altKva,
                $breakerKva === null ? '' : sprintf(', breaker %.4g kVA', $breakerKva),
                $g['loadPf'],
            ),
            $usableKw,
            'kW',
        );
        $ratedA = $alternator * 1000 / $system->vAllLegs();
        if (Tolerance::isBelow($factor, 1) && ($a > 0 && ! $g['hasMakersAltitude'] || $t > 0 && ! $g['hasMakersTemp'])) {
            $findings->raise('derate-generic', ['left_pct' => 100 * $factor]);
        }
        if (Tolerance::isBelow($factor, self::HEAVY)) {
            $findings->raise('derate-heavy', ['left_pct' => 100 * $factor]);
        }
        if ($limitedBy === 'breaker') {
            $findings->raise('breaker-limits', ['breaker_kva' => $breakerKva ?? 0.0]);
        }
        $largest = StandardSizes::next(1.25 * $ratedA);
        if ($g['breakerA'] !== null && $largest !== null && Tolerance::exceeds($g['breakerA'], $largest)) {
            $findings->raise('breaker-large', ['breaker_a' => $g['breakerA'], 'largest' => $largest]);
        }
        if ($g['duty'] !== 'continuous' && $g['averageKw'] !== null && Tolerance::exceeds(
            $g['averageKw'],
            self::AVERAGE_LIMIT * $engineKw,
        )) {
            $findings->raise('average-over-70', ['average_kw' => $g['averageKw'], 'engine_kw' => $engineKw]);
        }
        if (! Tolerance::exceeds($usableKw, 0)) {
            $findings->raise('no-rating-left');
        }

        return new CalculationResult([
            'rated_kw' => $ratedKw,
            'factor' => $factor,
            'engine_kw' => $engineKw,
            'alternator_kva' => $altKva,
            'breaker_kva' => $breakerKva,
            'usable_kva' => $usableKva,
            'usable_kw' => $usableKw,
            'plan_kw' => $usableKw * $g['planPct'] / 100,
            'limited_by' => $limitedBy,
            'leg_a' => $usableKva * 1000 / $system->vAllLegs(),
            'rated_a' => $ratedA, 'breaker_next_a' => StandardSizes::next($ratedA),
        ], $findings->all(), $working->lines);
    }

    /** @param array{fuel: string, ratings: array<string, float>, node: Node, ...} $g */
    private function rated(array $g, Findings $findings, Working $working): float
    {
        if (isset($g['ratings'][$g['fuel']])) {
            return $g['ratings'][$g['fuel']];
        }
        foreach (self::FUEL_FACTORS as $other => $factor) {
            if ($g['fuel'] !== 'diesel' && isset($g['ratings'][$other])) {
                $ratedKw = $g['ratings'][$other] * self::FUEL_FACTORS[$g['fuel']] / $factor;
                $working->add(
                    'Rated on this fuel',
                    sprintf(
                        '%g kW on %s × %g / %g',
                        $g['ratings'][$other],
                        str_replace('_', ' ', $other),
                        self::FUEL_FACTORS[$g['fuel']],
                        $factor,
                    ),
                    $ratedKw,
                    'kW',
                );
                $findings->raise(
                    'fuel-factor-assumed',
                    ['rated_kw' => $ratedKw, 'fuel' => str_replace('_', ' ', $g['fuel']), 'other' => str_replace('_', ' ', $other)],
                );

                return $ratedKw;
            }
        }

        throw $g['node']->bad("There is no rating for {$g['fuel']}, and none that it could be derived from.");
    }

    /**
     * @return array{continuousKw: float, surgeKw: float, batteryKwh: float, count: int, extraKwh: float, dod: float,
     *     efficiency: float, output: string, outletA: ?float, legKw: ?float, needs240: bool}
     */
    private function inverterFields(Fields $in): array
    {
        $in->only([
            'continuous_kw',
            'surge_kw',
            'battery_kwh',
            'count',
            'extra_battery_kwh',
            'dod_pct',
            'efficiency_pct',
            'output',
            'outlet_a',
            'leg_kw',
            'needs_240',
        ]);
        $continuousKw = $in->np('continuous_kw');
        $surgeKw = $in->np('surge_kw', $continuousKw);
        $read = [
            'continuousKw' => $continuousKw, 'surgeKw' => $surgeKw,
            'batteryKwh' => $in->n0('battery_kwh'),
            'count' => $in->int('count', 1, 20, 1),
            'extraKwh' => $in->n0('extra_battery_kwh', 0.0),
            'dod' => $in->number('dod_pct', 1, 100, 90.0) / 100,
            'efficiency' => $in->number('efficiency_pct', 1, 100, 90.0) / 100,
            'output' => $in->oneOf('output', ['single_120', 'split_240', 'single_230'], 'split_240'),
            'outletA' => $in->maybeNp('outlet_a'),
            'legKw' => $in->maybeNp('leg_kw'),
            'needs240' => $in->bool('needs_240', false),
        ];

        return $read;
    }

    /** @param array{continuousKw: float, surgeKw: float, output: string, legKw: ?float, ...} $read */
    private function refuseContradictions(Fields $in, array $read): void
    {
        if ($read['surgeKw'] < $read['continuousKw']) {
            throw $in->at('surge_kw')->bad('A surge cannot be less than what it gives continuously.');
        }
        if ($read['legKw'] !== null && $read['output'] !== 'split_240') {
            throw $in->at('leg_kw')->bad('Only an output of two legs has a rating by leg.');
        }
    }

    /**
     * @param array{continuousKw: float, surgeKw: float, batteryKwh: float, count: int, extraKwh: float, dod: float,
     *     efficiency: float, output: string, outletA: ?float, legKw: ?float, needs240: bool} $i
     */
    private function inverter(array $i, float $vLn): CalculationResult
    {
        $findings = new Findings();
        $working = new Working();
        $isSplit = $i['output'] === 'split_240';
        $powerKw = $i['continuousKw'] * $i['count'];
        $outletKw = $i['outletA'] === null ? null : $i['outletA'] * ($isSplit ? 2 : 1) * $vLn / 1000;
        $usableKw = min($powerKw, $outletKw ?? INF);
        $legKw = match (true) {
            $i['legKw'] !== null => $i['legKw'] * $i['count'],
            $isSplit => $usableKw / 2,
            default => $usableKw,
        };
        $legKw = min($legKw, $i['outletA'] === null ? INF : $i['outletA'] * $vLn / 1000);
        $usableKwh = ($i['batteryKwh'] * $i['count'] + $i['extraKwh']) * $i['dod'] * $i['efficiency'];
        $working->add(
            'Usable power',
            sprintf(
                '%d × %g kW%s',
                $i['count'],
                $i['continuousKw'],
                $outletKw === null ? '' : sprintf(', through an outlet of %g kW', $outletKw),
            ),
            $usableKw,
            'kW',
        );
        $working->add(
            'Usable energy',
            sprintf('(%d × %g + %g) kWh × %g × %g', $i['count'], $i['batteryKwh'], $i['extraKwh'], $i['dod'], $i['efficiency']),
            $usableKwh,
            'kWh',
        );
        if (! $isSplit) {
            $findings->raise('no-240', severity: $i['needs240'] ? Severity::Stop : Severity::Note);
        }
        if ($outletKw !== null && Tolerance::isBelow($outletKw, $powerKw)) {
            $findings->raise('outlet-limits', ['outlet_kw' => $outletKw, 'power_kw' => $powerKw]);
        }
        if ($isSplit && Tolerance::isBelow(2 * $legKw, $usableKw)) {
            $findings->raise('leg-limits', ['leg_kw' => $legKw]);
        }

        return new CalculationResult([
            'usable_kw' => $usableKw, 'surge_kw' => $i['surgeKw'] * $i['count'], 'usable_kwh' => $usableKwh, 'leg_kw' => $legKw,
            'leg_a' => $legKw * 1000 / $vLn, 'legs' => $isSplit ? 2 : 1,
        ], $findings->all(), $working->lines);
    }
}
