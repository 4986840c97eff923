<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;

/** Consumption, tank, vapour, regulators, pressure and pipe of a generator's fuel. Rule: docs/rules.md#fuel. */
final readonly class Fuel
{
    /** Tank gallons: diameter, length in inches. To be confirmed with the tank's plate. */
    private const TANKS = [120 => [24, 68], 250 => [30, 94], 325 => [30, 119], 500 => [37, 119], 1000 => [41, 192]];
    /** Percent of liquid from which a stretch begins, the factor there, and its slope per percent. */
    private const K_BY_LIQUID = [[0, 0, 4.5], [10, 45, 1.5], [20, 60, 1.0], [60, 100, 0.0]];
    /** Schedule 40 inside diameters, inches. */
    private const PIPES = [
        '1/2' => 0.622,
        '3/4' => 0.824,
        '1' => 1.049,
        '1-1/4' => 1.380,
        '1-1/2' => 1.610,
        '2' => 2.067,
        '2-1/2' => 2.469,
        '3' => 3.068,
        '4' => 4.026,
    ];
    private const GRAVITY = ['natural_gas' => 0.6094, 'lp' => 1.2462];
    private const EXTRAPOLATED_ABOVE_F = 20;

    /** Percent of a gas tank that the runtime leaves unused: the set must still be fed there. */
    private const RESERVE_PCT = 20.0;


    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only([
            'fuel', 'rated_kw', 'load_kw', 'table', 'table_unit', 'btu_per_ft3', 'tank', 'vapour', 'gas', 'pressure', 'pipe',
        ]);
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        $isGas = ! FuelUse::isLiquid($fuel);
        $ratedKw = $in->np('rated_kw');
        $loadKw = $in->n0('load_kw');
        $table = FuelTable::read($in);
        $btuPerFt3 = $in->np('btu_per_ft3', FuelTable::btuPerFt3($fuel));
        $tank = ($f = $in->maybeObject('tank')) === null ? null : $this->tankFields($f, $fuel);
        $vapour = ($f = $in->maybeObject('vapour')) === null ? null : $this->vapourFields($f);
        $gas = ($f = $in->maybeObject('gas')) === null ? null : $this->gasFields($f);
        $pressure = ($f = $in->maybeObject('pressure')) === null ? null : $this->pressureFields($f, $fuel);
        $pipe = ($f = $in->maybeObject('pipe')) === null ? null : $this->pipeFields($f);
        $table->check($fuel);
        $this->refuseContradictions($in, $fuel);
        [$diameterIn, $lengthIn] = $vapour === null ? [0.0, 0.0] : $this->tankSize($in->object('vapour'), $vapour);

        $findings = new Findings();
        $working = new Working();
        $use = $table->use($fuel, $ratedKw, $btuPerFt3);
        $loadPct = 100 * $loadKw / $ratedKw;
        $rate = $use->rate($loadPct);
        $btuhFull = $isGas ? (float) $use->rate(100)['btuh'] : null;
        $working->add(
            'Burns',
            sprintf('%s table at %.4g %% of %g kW', $table->isGeneric() ? 'generic' : 'the maker\'s', $loadPct, $ratedKw),
            $isGas ? $rate['btuh'] : $rate['l_h'],
            $isGas ? 'BTU/h' : 'L/h',
        );
        if (Tolerance::exceeds($loadPct, 100)) {
            $findings->raise('fuel/overload', ['load_pct' => $loadPct]);
        }
        if ($table->isGeneric()) {
            $findings->raise('fuel/generic-rate');
        }

        $pressure?->judge($findings);

        return new CalculationResult([
            'load_pct' => $loadPct, 'rate' => $rate, 'btuh_full' => $btuhFull,
            'tank' => $tank === null ? null : $this->tank($tank, $fuel, (float) $rate['gal_h'], $findings, $working),
            'vapour' => $vapour === null ? null : $this->vapour(
                [
                    'diameter' => $diameterIn,
                    'length' => $lengthIn,
                    'liquidPct' => min($vapour['liquidPct'], $tank['reserve'] ?? self::RESERVE_PCT),
                ] + $vapour,
                (float) $rate['btuh'],
                $findings,
                $working,
            ),
            'gas' => $gas === null ? null : $this->gas($gas, (float) $btuhFull, $findings),
            'pressure' => $pressure === null ? null : ['sag_inwc' => $pressure->sag()],
            'pipe' => $pipe === null ? null : $this->pipe($pipe, $fuel, (float) $btuhFull, $btuPerFt3, $findings, $working),
        ], $findings->all(), $working->lines);
    }

    /** @return array{capacity: float, pct: float, reserve: float} */
    private function tankFields(Fields $in, string $fuel): array
    {
        $in->only(['capacity_gal', 'fill_pct', 'level_pct', 'reserve_pct']);
        $capacity = $in->np('capacity_gal');
        $fill = $in->pct('fill_pct', $fuel === 'lp' ? 80.0 : 95.0);
        $level = $in->maybeNumber('level_pct', 0, 100);
        $reserve = $in->pct('reserve_pct', $fuel === 'lp' ? self::RESERVE_PCT : 10.0);
        $in->close();

        return ['capacity' => $capacity, 'pct' => $level ?? $fill, 'reserve' => $reserve];
    }

    /** @return array{gal: ?float, diameter: ?float, length: ?float, liquidPct: float, tempC: float} */
    private function vapourFields(Fields $in): array
    {
        $in->only(['tank_gal', 'diameter_in', 'length_in', 'liquid_pct', 'temp_c']);
        $gal = $in->maybeNp('tank_gal');
        $diameter = $in->maybeNp('diameter_in');
        $length = $in->maybeNp('length_in');
        $liquidPct = $in->pct('liquid_pct', 30.0);
        $tempC = $in->number('temp_c', -60, 60);

        return ['gal' => $gal, 'diameter' => $diameter, 'length' => $length, 'liquidPct' => $liquidPct, 'tempC' => $tempC];
    }

    /**
     * @param array{gal: ?float, diameter: ?float, length: ?float, ...} $vapour
     *
     * @return array{float, float} diameter and length of the tank, in
     */
    private function tankSize(Fields $in, array $vapour): array
    {
        ['gal' => $gal, 'diameter' => $diameter, 'length' => $length] = $vapour;
        if ($diameter !== null && $length !== null) {
            return [$diameter, $length];
        }
        if ($gal === null || $diameter !== null || $length !== null) {
            throw $in->node->bad('Diameter and length are needed, or the gallons of a tank from the table.');
        }
        $size = (float) (int) $gal === $gal ? self::TANKS[(int) $gal] ?? null : null;

        return $size ?? throw $in->at('tank_gal')->bad('This size is not in the table: give diameter and length.');
    }

    private function refuseContradictions(Fields $in, string $fuel): void
    {
        $isGas = ! FuelUse::isLiquid($fuel);
        if ($in->has('btu_per_ft3') && ! $isGas) {
            throw $in->at('btu_per_ft3')->bad('Only a gas has a heating value by the cubic foot.');
        }
        foreach ([
            'tank' => $fuel !== 'natural_gas',
            'vapour' => $fuel === 'lp',
            'gas' => $isGas,
            'pressure' => $isGas,
            'pipe' => $isGas,
        ] as $section => $fits) {
            if (! $fits && $in->has($section)) {
                throw $in->at($section)->bad('This section has no meaning for ' . str_replace('_', ' ', $fuel) . '.');
            }
        }
    }

    /** @return array{house: float, shared: bool, generatorRegulator: ?float, houseRegulator: ?float, meter: ?float} */
    private function gasFields(Fields $in): array
    {
        $read = [
            'house' => $in->only([
                'house_btuh',
                'shared_regulator',
                'generator_regulator_btuh',
                'house_regulator_btuh',
                'meter_btuh',
            ])->n0('house_btuh', 0.0),
            'shared' => $in->bool('shared_regulator', false),
            'generatorRegulator' => $in->maybeNp('generator_regulator_btuh'),
            'houseRegulator' => $in->maybeNp('house_regulator_btuh'), 'meter' => $in->maybeNp('meter_btuh'),
        ];
        $in->close();

        return $read;
    }

    private function pressureFields(Fields $in, string $fuel): GasPressure
    {
        $static = $in->only(['static_inwc', 'loaded_inwc', 'min_inwc', 'max_inwc', 'sag_limit_inwc'])->n0('static_inwc');
        $read = new GasPressure(
            $static,
            $in->maybeN0('loaded_inwc'),
            $in->n0('min_inwc', GasPressure::usualMin($fuel)),
            $in->n0('max_inwc', GasPressure::usualMax($fuel)),
            $in->n0('sag_limit_inwc', GasPressure::SAG_LIMIT),
        );
        $in->close();

        return $read;
    }

    /** @return array{length: float, drop: float, size: ?string, demand: ?float} */
    private function pipeFields(Fields $in): array
    {
        $in->only(['length_ft', 'fittings_pct', 'drop_inwc', 'size', 'demand_btuh']);
        $length = $in->np('length_ft');
        $fittings = $in->number('fittings_pct', 0, 500, 50.0);
        $read = [
            'length' => $length * (1 + $fittings / 100),
            'drop' => $in->np('drop_inwc', 0.5),
            'size' => $in->maybeOneOf('size', array_map(strval(...), array_keys(self::PIPES))),
            'demand' => $in->maybeNp('demand_btuh'),
        ];
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
        $runtimeH = Tolerance::exceeds($galPerHour, 0) ? $usableGal / $galPerHour : null;
        $working->add(
            'Runtime on the tank',
            sprintf('%g gal × (%g − %g) %% / %.4g gal/h', $tank['capacity'], $tank['pct'], $tank['reserve'], $galPerHour),
            $runtimeH,
            'h',
        );
        if ($fuel === 'lp' && Tolerance::exceeds($tank['pct'], 80)) {
            $findings->raise('lp-overfill', ['pct' => $tank['pct']]);
        }
        if (! Tolerance::exceeds($usableGal, 0)) {
            $findings->raise('tank-empty');
        }

        return ['usable_gal' => $usableGal, 'runtime_h' => $runtimeH];
    }

    /**
     * @param array{diameter: float, length: float, liquidPct: float, tempC: float, ...} $vapour
     *
     * @return array{btuh: float, factor: float, liquid_pct: float, ok: bool}
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
        $isOk = ! Tolerance::isBelow($btuh, $neededBtuh);
        $working->add(
            'Vapour the tank gives',
            sprintf('%g in × %g in × %g × %.4g', $vapour['diameter'], $vapour['length'], $k, $m),
            $btuh,
            'BTU/h',
        );
        if (! $isOk) {
            $findings->raise('vapour-short', ['btuh' => number_format($btuh), 'needed_btuh' => number_format($neededBtuh)]);
        }
        if (Tolerance::exceeds($f, self::EXTRAPOLATED_ABOVE_F)) {
            $findings->raise('vapour-extrapolated', ['temp_c' => $vapour['tempC']]);
        }

        return ['btuh' => $btuh, 'factor' => $m, 'liquid_pct' => $vapour['liquidPct'], 'ok' => $isOk];
    }

    /**
     * @param array{house: float, shared: bool, generatorRegulator: ?float, houseRegulator: ?float, meter: ?float} $gas
     *
     * @return array{total_btuh: float}
     */
    private function gas(array $gas, float $btuhFull, Findings $findings): array
    {
        $total = $gas['house'] + $btuhFull;
        $isSmall = static fn(?float $has, float $needs): bool => $has !== null && Tolerance::isBelow($has, $needs);
        if ($gas['shared']) {
            $findings->raise('shared-regulator');
        }
        if ($isSmall(
            $gas['generatorRegulator'],
            $gas['shared'] ? $total : $btuhFull,
        ) || ! $gas['shared'] && $isSmall($gas['houseRegulator'], $gas['house'])) {
            $findings->raise('regulator-small');
        }
        if ($isSmall($gas['meter'], $total)) {
            $findings->raise('meter-small', ['total' => number_format($total)]);
        }

        return ['total_btuh' => $total];
    }

    /**
     * @param array{length: float, drop: float, size: ?string, demand: ?float} $pipe
     *
     * @return array{flow_ft3_h: float, diameter_in: float, min_size: ?string, capacity_ft3_h: ?float,
     *     drop_at_demand_inwc: ?float, ok: ?bool}
     */
    private function pipe(array $pipe, string $fuel, float $btuhFull, float $btuPerFt3, Findings $findings, Working $working): array
    {
        $cr = self::GRAVITY[$fuel] ?? 1.0;
        $q = ($pipe['demand'] ?? $btuhFull) / $btuPerFt3;
        $k = 19.17 * ($pipe['drop'] / ($cr * $pipe['length'])) ** 0.206;
        $diameter = $q ** 0.381 / $k;
        $minSize = null;
        foreach (self::PIPES as $name => $inside) {
            if (! Tolerance::isBelow($inside, $diameter)) {
                $minSize = (string) $name;
                break;
            }
        }
        $working->add(
            'Inside diameter',
            sprintf('%.4g ft³/h ^0.381 / (19.17 × (%g / (%g × %g ft))^0.206)', $q, $pipe['drop'], $cr, $pipe['length']),
            $diameter,
            'in',
        );
        if ($minSize === null) {
            $findings->raise('pipe-none');
        }
        $capacity = $dropAtDemand = $isOk = null;
        if ($pipe['size'] !== null) {
            $inside = self::PIPES[$pipe['size']];
            $capacity = ($k * $inside) ** (1 / 0.381);
            $dropAtDemand = $cr * $pipe['length'] * ($q ** 0.381 / (19.17 * $inside)) ** (1 / 0.206);
            $isOk = ! Tolerance::isBelow($inside, $diameter);
            if (! $isOk) {
                $findings->raise('pipe-small', ['size' => $pipe['size'], 'min_size' => $minSize]);
            }
        }

        return [
            'flow_ft3_h' => $q,
            'diameter_in' => $diameter,
            'min_size' => $minSize,
            'capacity_ft3_h' => $capacity,
            'drop_at_demand_inwc' => $dropAtDemand,
            'ok' => $isOk,
        ];
    }
}
