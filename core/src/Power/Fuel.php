<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Consumption, tank, vapour, regulators, pressure and pipe of a generator's fuel. Rule: loads §9. */
final readonly class Fuel
{
    private const UNITS = [
        'diesel' => ['l_h', 'gal_h'], 'petrol' => ['l_h', 'gal_h'], 'natural_gas' => ['ft3_h', 'm3_h', 'btuh'], 'lp' => ['l_h', 'gal_h', 'ft3_h', 'm3_h', 'btuh'],
    ];
    /** Tank gallons: diameter, length in inches. To be confirmed with the tank's plate. */
    private const TANKS = [120 => [24, 68], 250 => [30, 94], 325 => [30, 119], 500 => [37, 119], 1000 => [41, 192]];
    /** Percent of liquid from which a stretch begins, the factor there, and its slope per percent. */
    private const K_BY_LIQUID = [[0, 0, 4.5], [10, 45, 1.5], [20, 60, 1.0], [60, 100, 0.0]];
    /** Schedule 40 inside diameters, inches. */
    private const PIPES = ['1/2' => 0.622, '3/4' => 0.824, '1' => 1.049, '1-1/4' => 1.380, '1-1/2' => 1.610, '2' => 2.067, '2-1/2' => 2.469, '3' => 3.068, '4' => 4.026];
    private const BTU_PER_FT3 = ['natural_gas' => 1030.0, 'lp' => 2516.0];
    private const GRAVITY = ['natural_gas' => 0.6094, 'lp' => 1.2462];
    private const EXTRAPOLATED_ABOVE_F = 20;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        $isGas = ! FuelUse::isLiquid($fuel);
        $ratedKw = $in->np('rated_kw');
        $loadKw = $in->n0('load_kw');
        $points = $this->table($in);
        $unit = $in->has('table_unit') ? $in->oneOf('table_unit', self::UNITS[$fuel]) : null;
        if ($in->has('btu_per_ft3') && ! $isGas) {
            throw $in->at('btu_per_ft3')->bad('Only a gas has a heating value by the cubic foot.');
        }
        $btuPerFt3 = $in->np('btu_per_ft3', self::BTU_PER_FT3[$fuel] ?? 1.0);
        foreach (['tank' => $fuel !== 'natural_gas', 'vapour' => $fuel === 'lp', 'gas' => $isGas, 'pressure' => $isGas, 'pipe' => $isGas] as $section => $fits) {
            if (! $fits && $in->has($section)) {
                throw $in->at($section)->bad('This section has no meaning for ' . str_replace('_', ' ', $fuel) . '.');
            }
        }
        $tank = ($f = $in->maybeObject('tank')) === null ? null : $this->tankFields($f, $fuel);
        $vapour = ($f = $in->maybeObject('vapour')) === null ? null : $this->vapourFields($f);
        $gas = ($f = $in->maybeObject('gas')) === null ? null : $this->gasFields($f);
        $pressure = ($f = $in->maybeObject('pressure')) === null ? null : $this->pressureFields($f, $fuel);
        $pipe = ($f = $in->maybeObject('pipe')) === null ? null : $this->pipeFields($f);
        $in->close();
        if (($points === null) !== ($unit === null)) {
            throw $in->node->at($unit === null ? 'table_unit' : 'table', null)->bad('A table and its unit belong together.');
        }

        $findings = new Findings();
        $working = new Working();
        $use = $points === null ? FuelUse::generic($fuel, $ratedKw, $btuPerFt3) : new FuelUse($fuel, $points, (string) $unit, $btuPerFt3);
        $loadPct = 100 * $loadKw / $ratedKw;
        $rate = $use->rate($loadPct);
        $btuhFull = $isGas ? (float) $use->rate(100)['btuh'] : null;
        $working->add('Burns', sprintf('%s table at %.4g %% of %g kW', $points === null ? 'generic' : 'the maker\'s', $loadPct, $ratedKw), $isGas ? $rate['btuh'] : $rate['l_h'], $isGas ? 'BTU/h' : 'L/h');
        if (Slack::exceeds($loadPct, 100)) {
            $findings->stop('overload', sprintf('%.0f %% of the rating', $loadPct), 'The machine is overloaded, and the table does not hold there.');
        }
        if ($points === null) {
            $findings->note('generic-rate', 'The consumption is a generic figure', 'The maker\'s table replaces it.');
        }

        return new Answer([
            'load_pct' => $loadPct, 'rate' => $rate, 'btuh_full' => $btuhFull,
            'tank' => $tank === null ? null : $this->tank($tank, $fuel, (float) $rate['gal_h'], $findings, $working),
            'vapour' => $vapour === null ? null : $this->vapour($vapour, (float) $rate['btuh'], $findings, $working),
            'gas' => $gas === null ? null : $this->gas($gas, (float) $btuhFull, $findings),
            'pressure' => $pressure === null ? null : $this->pressure($pressure, $findings),
            'pipe' => $pipe === null ? null : $this->pipe($pipe, $fuel, (float) $btuhFull, $btuPerFt3, $findings, $working),
        ], $findings->all(), $working->lines);
    }

    /** @return null|list<array{float, float}> */
    private function table(Fields $in): ?array
    {
        $nodes = $in->maybeList('table', 2, 12);
        if ($nodes === null) {
            return null;
        }
        $points = [];
        foreach ($nodes as $node) {
            $row = new Fields($node);
            $pct = $row->number('load_pct', 0, 120);
            $rate = $row->n0('rate');
            $row->close();
            if ($points !== [] && $pct <= $points[count($points) - 1][0]) {
                throw $row->at('load_pct')->bad('The loads of the table must rise.');
            }
            $points[] = [$pct, $rate];
        }

        return $points;
    }

    /** @return array{capacity: float, pct: float, reserve: float} */
    private function tankFields(Fields $in, string $fuel): array
    {
        $capacity = $in->np('capacity_gal');
        $fill = $in->pct('fill_pct', $fuel === 'lp' ? 80.0 : 95.0);
        $level = $in->maybeNumber('level_pct', 0, 100);
        $reserve = $in->pct('reserve_pct', $fuel === 'lp' ? 20.0 : 10.0);
        $in->close();

        return ['capacity' => $capacity, 'pct' => $level ?? $fill, 'reserve' => $reserve];
    }

    /** @return array{diameter: float, length: float, liquidPct: float, tempC: float} */
    private function vapourFields(Fields $in): array
    {
        $gal = $in->maybeNp('tank_gal');
        $diameter = $in->maybeNp('diameter_in');
        $length = $in->maybeNp('length_in');
        $liquidPct = $in->pct('liquid_pct', 30.0);
        $tempC = $in->number('temp_c', -60, 60);
        $in->close();
        if ($diameter === null || $length === null) {
            if ($gal === null || ($diameter === null) !== ($length === null)) {
                throw $in->node->bad('Diameter and length are needed, or the gallons of a tank from the table.');
            }
            $size = self::TANKS[(int) $gal] ?? null;
            if ($size === null || (float) (int) $gal !== $gal) {
                throw $in->at('tank_gal')->bad('This size is not in the table: give diameter and length.');
            }
            [$diameter, $length] = $size;
        }

        return ['diameter' => (float) $diameter, 'length' => (float) $length, 'liquidPct' => $liquidPct, 'tempC' => $tempC];
    }

    /** @return array{house: float, shared: bool, generatorRegulator: ?float, houseRegulator: ?float, meter: ?float} */
    private function gasFields(Fields $in): array
    {
        $read = [
            'house' => $in->n0('house_btuh', 0.0), 'shared' => $in->bool('shared_regulator', false), 'generatorRegulator' => $in->maybeNp('generator_regulator_btuh'),
            'houseRegulator' => $in->maybeNp('house_regulator_btuh'), 'meter' => $in->maybeNp('meter_btuh'),
        ];
        $in->close();

        return $read;
    }

    /** @return array{static: float, loaded: ?float, min: float, max: float, sag: float} */
    private function pressureFields(Fields $in, string $fuel): array
    {
        $read = [
            'static' => $in->n0('static_inwc'), 'loaded' => $in->maybeN0('loaded_inwc'), 'min' => $in->n0('min_inwc', $fuel === 'lp' ? 10.0 : 3.5),
            'max' => $in->n0('max_inwc', $fuel === 'lp' ? 12.0 : 7.0), 'sag' => $in->n0('sag_limit_inwc', 1.5),
        ];
        $in->close();

        return $read;
    }

    /** @return array{length: float, drop: float, size: ?string, demand: ?float} */
    private function pipeFields(Fields $in): array
    {
        $length = $in->np('length_ft');
        $fittings = $in->number('fittings_pct', 0, 500, 50.0);
        $read = ['length' => $length * (1 + $fittings / 100), 'drop' => $in->np('drop_inwc', 0.5), 'size' => $in->maybeOneOf('size', array_map(strval(...), array_keys(self::PIPES))), 'demand' => $in->maybeNp('demand_btuh')];
        $in->close();

        return $read;
    }

    /**
     * @param array{capacity: float, pct: float, reserve: float} $tank
     *
     * @return array{usable_gal: float, runtime_h: ?float}
     */
    private function tank(array $tank, string $fuel, float $galPerHour, Findings $findings, Working $working): array
    {
        $usableGal = $tank['capacity'] * max(0.0, $tank['pct'] - $tank['reserve']) / 100;
        $runtimeH = Slack::exceeds($galPerHour, 0) ? $usableGal / $galPerHour : null;
        $working->add('Runtime on the tank', sprintf('%g gal × (%g − %g) %% / %.4g gal/h', $tank['capacity'], $tank['pct'], $tank['reserve'], $galPerHour), $runtimeH, 'h');
        if ($fuel === 'lp' && Slack::exceeds($tank['pct'], 80)) {
            $findings->stop('lp-overfill', sprintf('The tank is reckoned as %g %% full', $tank['pct']), 'Liquid gas needs room to expand: 80 % is full.');
        }
        if (! Slack::exceeds($usableGal, 0)) {
            $findings->stop('tank-empty', 'Nothing can be used from the tank', 'It is at or below its reserve. Fill it.');
        }

        return ['usable_gal' => $usableGal, 'runtime_h' => $runtimeH];
    }

    /**
     * @param array{diameter: float, length: float, liquidPct: float, tempC: float} $vapour
     *
     * @return array{btuh: float, factor: float, ok: bool}
     */
    private function vapour(array $vapour, float $neededBtuh, Findings $findings, Working $working): array
    {
        $f = 1.8 * $vapour['tempC'] + 32;
        $m = max(0.0, min(4.0, 1 + $f / 20));
        $k = 0.0;
        foreach (self::K_BY_LIQUID as [$pct, $value, $slope]) {
            if ($vapour['liquidPct'] >= $pct) {
                $k = $value + $slope * ($vapour['liquidPct'] - $pct);
            }
        }
        $btuh = $vapour['diameter'] * $vapour['length'] * $k * $m;
        $isOk = ! Slack::isBelow($btuh, $neededBtuh);
        $working->add('Vapour the tank gives', sprintf('%g in × %g in × %g × %.4g', $vapour['diameter'], $vapour['length'], $k, $m), $btuh, 'BTU/h');
        if (! $isOk) {
            $findings->stop('vapour-short', sprintf('The tank gives %s BTU/h of vapour, %s are needed', number_format($btuh), number_format($neededBtuh)), 'The tank freezes and the engine starves. A larger tank, or more liquid in it.');
        }
        if (Slack::exceeds($f, self::EXTRAPOLATED_ABOVE_F)) {
            $findings->note('vapour-extrapolated', sprintf('At %g °C the rule of thumb is stretched', $vapour['tempC']), 'It was published up to 20 °F. Judge the coldest day, not this one.');
        }

        return ['btuh' => $btuh, 'factor' => $m, 'ok' => $isOk];
    }

    /**
     * @param array{house: float, shared: bool, generatorRegulator: ?float, houseRegulator: ?float, meter: ?float} $gas
     *
     * @return array{total_btuh: float}
     */
    private function gas(array $gas, float $btuhFull, Findings $findings): array
    {
        $total = $gas['house'] + $btuhFull;
        $isSmall = static fn(?float $has, float $needs): bool => $has !== null && Slack::isBelow($has, $needs);
        if ($gas['shared']) {
            $findings->warn('shared-regulator', 'House and generator share a regulator', 'One starves the other. Give the generator its own.');
        }
        if ($isSmall($gas['generatorRegulator'], $gas['shared'] ? $total : $btuhFull) || ! $gas['shared'] && $isSmall($gas['houseRegulator'], $gas['house'])) {
            $findings->stop('regulator-small', 'A regulator passes less than what hangs on it', 'The engine loses power at full load. Take a larger one.');
        }
        if ($isSmall($gas['meter'], $total)) {
            $findings->stop('meter-small', sprintf('The meter passes less than the %s BTU/h of house and generator', number_format($total)), 'Ask the gas supplier for a larger meter.');
        }

        return ['total_btuh' => $total];
    }

    /**
     * @param array{static: float, loaded: ?float, min: float, max: float, sag: float} $p
     *
     * @return array{sag_inwc: ?float}
     */
    private function pressure(array $p, Findings $findings): array
    {
        $sag = $p['loaded'] === null ? null : $p['static'] - $p['loaded'];
        if (Slack::exceeds($p['static'], $p['max'])) {
            $findings->stop('pressure-high', sprintf('%g in. of water at rest, %g is the most', $p['static'], $p['max']), 'It can damage the regulator of the engine.');
        }
        if (Slack::isBelow($p['static'], $p['min']) || $p['loaded'] !== null && Slack::isBelow($p['loaded'], $p['min'])) {
            $findings->stop('pressure-low', sprintf('Less than %g in. of water', $p['min']), 'The engine does not reach its power, or does not start.');
        }
        if ($sag !== null && Slack::exceeds($sag, $p['sag'])) {
            $findings->warn('pressure-sag', sprintf('The pressure sags by %.1f in. of water under load', $sag), 'Pipe, meter or regulator are too small for the flow.');
        }
        if ($p['loaded'] === null) {
            $findings->warn('loaded-not-measured', 'The pressure under full load was not measured', 'At rest every pipe is large enough.');
        }

        return ['sag_inwc' => $sag];
    }

    /**
     * @param array{length: float, drop: float, size: ?string, demand: ?float} $pipe
     *
     * @return array{flow_ft3_h: float, diameter_in: float, min_size: ?string, capacity_ft3_h: ?float, drop_at_demand_inwc: ?float, ok: ?bool}
     */
    private function pipe(array $pipe, string $fuel, float $btuhFull, float $btuPerFt3, Findings $findings, Working $working): array
    {
        $cr = self::GRAVITY[$fuel] ?? 1.0;
        $q = ($pipe['demand'] ?? $btuhFull) / $btuPerFt3;
        $k = 19.17 * ($pipe['drop'] / ($cr * $pipe['length'])) ** 0.206;
        $diameter = $q ** 0.381 / $k;
        $minSize = null;
        foreach (self::PIPES as $name => $inside) {
            if (! Slack::isBelow($inside, $diameter)) {
                $minSize = (string) $name;
                break;
            }
        }
        $working->add('Inside diameter', sprintf('%.4g ft³/h ^0.381 / (19.17 × (%g / (%g × %g ft))^0.206)', $q, $pipe['drop'], $cr, $pipe['length']), $diameter, 'in');
        if ($minSize === null) {
            $findings->stop('pipe-none', 'No pipe of the table is large enough', 'Shorten the run, raise the pressure with a second regulator at the machine, or ask the gas fitter.');
        }
        $capacity = $dropAtDemand = $isOk = null;
        if ($pipe['size'] !== null) {
            $inside = self::PIPES[$pipe['size']];
            $capacity = ($k * $inside) ** (1 / 0.381);
            $dropAtDemand = $cr * $pipe['length'] * ($q ** 0.381 / (19.17 * $inside)) ** (1 / 0.206);
            $isOk = ! Slack::isBelow($inside, $diameter);
            if (! $isOk) {
                $findings->stop('pipe-small', sprintf('A pipe of %s in. is too small', $pipe['size']), 'The pressure falls too far at full load.' . ($minSize === null ? '' : " $minSize in. is enough."));
            }
        }

        return ['flow_ft3_h' => $q, 'diameter_in' => $diameter, 'min_size' => $minSize, 'capacity_ft3_h' => $capacity, 'drop_at_demand_inwc' => $dropAtDemand, 'ok' => $isOk];
    }
}
