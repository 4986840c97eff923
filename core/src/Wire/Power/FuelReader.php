<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\Fuel\FuelInput;
use Escapement\Core\Power\Fuel\FuelRun;
use Escapement\Core\Power\Fuel\FuelUse;
use Escapement\Core\Power\Fuel\GasPipe;
use Escapement\Core\Power\Fuel\GasPressure;
use Escapement\Core\Power\Fuel\GasSupply;
use Escapement\Core\Power\Fuel\Tank;
use Escapement\Core\Power\Fuel\VapourTank;
use Escapement\Core\Wire\InputReader;

/** `fuel` on the wire. Rule: docs/rules.md#fuel. */
final readonly class FuelReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new FuelRun())->answer($this->input($node))->toArray();
    }

    public function input(Node $node): FuelInput
    {
        $in = (new Fields($node))->only([
            'fuel', 'rated_kw', 'load_kw', 'table', 'table_unit', 'btu_per_ft3', 'tank', 'vapour', 'gas', 'pressure', 'pipe',
        ]);
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        $ratedKw = $in->np('rated_kw');
        $loadKw = $in->n0('load_kw');
        $table = FuelTableFields::read($in);
        $btuPerFt3 = $in->np('btu_per_ft3', FuelUse::usualBtuPerFt3($fuel));
        $tank = ($tankIn = $in->maybeObject('tank')) === null ? null : $this->tank($tankIn, $fuel);
        $vapour = ($vapourIn = $in->maybeObject('vapour')) === null ? null : $this->vapour($vapourIn);
        $gas = ($gasIn = $in->maybeObject('gas')) === null ? null : $this->gas($gasIn);
        $pressure = ($pressureIn = $in->maybeObject('pressure')) === null ? null : $this->pressure($pressureIn, $fuel);
        $pipe = ($pipeIn = $in->maybeObject('pipe')) === null ? null : $this->pipe($pipeIn);
        $table->check($fuel);
        $this->refuseContradictions($in, $fuel);
        $use = $table->use($fuel, $ratedKw, $btuPerFt3);

        return new FuelInput($fuel, $ratedKw, $loadKw, $use, $tank, $vapour === null ? null : $vapour(), $gas, $pressure, $pipe);
    }

    private function tank(Fields $in, string $fuel): Tank
    {
        $capacityGal = $in->only(['capacity_gal', 'fill_pct', 'level_pct', 'reserve_pct'])->np('capacity_gal');
        $fillPct = $in->pct('fill_pct', Tank::usualFillPct($fuel));

        return new Tank($fuel, $capacityGal, $in->pct('level_pct', $fillPct), $in->pct('reserve_pct', Tank::usualReservePct($fuel)));
    }

    /** @return \Closure(): VapourTank its size is judged once every field is read */
    private function vapour(Fields $in): \Closure
    {
        $in->only(['tank_gal', 'diameter_in', 'length_in', 'liquid_pct', 'temp_c']);
        $gal = $in->maybeNp('tank_gal');
        $diameterIn = $in->maybeNp('diameter_in');
        $lengthIn = $in->maybeNp('length_in');
        $liquidPct = $in->pct('liquid_pct', 30.0);
        $tempC = $in->number('temp_c', -60, 60);

        return static function () use ($in, $gal, $diameterIn, $lengthIn, $liquidPct, $tempC): VapourTank {
            if ($diameterIn !== null && $lengthIn !== null) {
                return new VapourTank($diameterIn, $lengthIn, $tempC, $liquidPct);
            }
            if ($gal === null || $diameterIn !== null || $lengthIn !== null) {
                throw $in->node->bad('Diameter and length are needed, or the gallons of a tank from the table.');
            }
            $size = (float) (int) $gal === $gal ? VapourTank::SIZES[(int) $gal] ?? null : null;
            [$diameterIn, $lengthIn] = $size ?? throw $in->at('tank_gal')->bad('This size is not in the table: give diameter and length.');

            return new VapourTank($diameterIn, $lengthIn, $tempC, $liquidPct);
        };
    }

    private function gas(Fields $in): GasSupply
    {
        return new GasSupply(
            $in->only([
                'house_btuh', 'shared_regulator', 'generator_regulator_btuh', 'house_regulator_btuh', 'meter_btuh',
            ])->n0('house_btuh', 0.0),
            $in->bool('shared_regulator', false),
            $in->maybeNp('generator_regulator_btuh'),
            $in->maybeNp('house_regulator_btuh'),
            $in->maybeNp('meter_btuh'),
        );
    }

    private function pressure(Fields $in, string $fuel): GasPressure
    {
        return new GasPressure(
            $in->only(['static_inwc', 'loaded_inwc', 'min_inwc', 'max_inwc', 'sag_limit_inwc'])->n0('static_inwc'),
            $in->maybeN0('loaded_inwc'),
            $in->n0('min_inwc', GasPressure::usualMin($fuel)),
            $in->n0('max_inwc', GasPressure::usualMax($fuel)),
            $in->n0('sag_limit_inwc', GasPressure::SAG_LIMIT),
        );
    }

    private function pipe(Fields $in): GasPipe
    {
        return new GasPipe(
            $in->only(['length_ft', 'fittings_pct', 'drop_inwc', 'size', 'demand_btuh'])->np('length_ft'),
            $in->number('fittings_pct', 0, 500, 50.0),
            $in->np('drop_inwc', 0.5),
            $in->maybeOneOf('size', array_map(strval(...), array_keys(GasPipe::INSIDE_IN))),
            $in->maybeNp('demand_btuh'),
        );
    }

    private function refuseContradictions(Fields $in, string $fuel): void
    {
        $isGas = ! FuelUse::isLiquid($fuel);
        if ($in->has('btu_per_ft3') && ! $isGas) {
            throw $in->at('btu_per_ft3')->bad('Only a gas has a heating value by the cubic foot.');
        }
        $meant = ['tank' => $fuel !== 'natural_gas', 'vapour' => $fuel === 'lp', 'gas' => $isGas, 'pressure' => $isGas, 'pipe' => $isGas];
        foreach (array_keys(array_filter($meant, static fn(bool $fits): bool => ! $fits)) as $section) {
            if ($in->has($section)) {
                throw $in->at($section)->bad('This section has no meaning for ' . str_replace('_', ' ', $fuel) . '.');
            }
        }
    }
}
