<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\Rating\DeratingSlopes;
use Escapement\Core\Power\Rating\GeneratorRating;
use Escapement\Core\Power\Rating\GeneratorRatingInput;
use Escapement\Core\Power\Rating\InverterRating;
use Escapement\Core\Power\Rating\InverterRatingInput;
use Escapement\Core\Wire\InputReader;

/** `source_rating` on the wire: a generator, or battery stations. Rule: docs/rules.md#source-rating. */
final readonly class SourceRatingReader implements InputReader
{
    private const FUELS = ['natural_gas', 'lp', 'petrol', 'diesel'];
    private const GENERATOR = [
        'fuel', 'ratings_kw', 'rated_pf', 'alternator_kva', 'altitude_ft', 'temp_c', 'aspiration', 'altitude_pct_per_1000_ft',
        'altitude_free_ft', 'temp_pct_per_10_c', 'temp_free_c', 'combine', 'alternator_factor', 'load_pf', 'breaker_a', 'continuous_load',
        'breaker_continuous_pct', 'plan_to_pct', 'average_kw', 'duty',
    ];
    private const INVERTER = [
        'continuous_kw', 'surge_kw', 'battery_kwh', 'count', 'extra_battery_kwh', 'dod_pct', 'efficiency_pct', 'output', 'outlet_a',
        'leg_kw', 'needs_240',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $input = $this->input($node);

        return ($input instanceof GeneratorRatingInput ? (new GeneratorRating())->answer($input) : (new InverterRating())->answer($input))
            ->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): GeneratorRatingInput|InverterRatingInput
    {
        $in = (new Fields($node))->only(['kind', 'system', 'v_ln_v', 'generator', 'inverter']);
        $kind = $in->oneOf('kind', ['generator', 'inverter']);
        $system = LegSystem::read($in);
        $refuse = static function (string $other) use ($in): void {
            if ($in->has($other)) {
                throw $in->at($other)->bad("This is not about a source of the kind \"$other\".");
            }
        };

        return $kind === 'generator'
            ? $this->generator($in->object('generator'), $system, static fn() => $refuse('inverter'))
            : $this->inverter($in->object('inverter'), $system, static fn() => $refuse('generator'));
    }

    /** @param \Closure(): void $refuseOther before figures are held against each other */
    private function generator(Fields $in, LegSystem $system, \Closure $refuseOther): GeneratorRatingInput
    {
        $fuel = $in->only(self::GENERATOR)->oneOf('fuel', self::FUELS);
        $ratings = $this->ratings($in->object('ratings_kw')->only(self::FUELS));
        $ratedPf = $in->number('rated_pf', 0.1, 1, GeneratorRatingInput::usualPf($system));
        $alternatorKva = $in->maybeNp('alternator_kva');
        $altitudeFt = $in->number('altitude_ft', -1500, 20_000, 0.0);
        $tempC = $in->number('temp_c', -60, 70, 25.0);
        $slopes = $this->slopes($in, $fuel);
        $isAdded = $in->oneOf('combine', ['multiply', 'add'], 'multiply') === 'add';
        $alternatorFactor = $in->number('alternator_factor', 0.1, 1, 1.0);
        $loadPf = $in->number('load_pf', 0.05, 1, 1.0);
        $breakerA = $in->maybeNp('breaker_a');
        $breakerPct = $in->number('breaker_continuous_pct', 50, 100, $in->bool('continuous_load', false) ? 80.0 : 100.0);
        $planPct = $in->number('plan_to_pct', 1, 100, 100.0);
        $averageKw = $in->maybeN0('average_kw');
        $duty = $in->oneOf('duty', ['standby', 'prime', 'continuous'], 'standby');
        $refuseOther();

        return new GeneratorRatingInput(
            $system,
            $fuel,
            $ratings,
            $slopes,
            $ratedPf,
            $alternatorKva,
            $altitudeFt,
            $tempC,
            $isAdded,
            $alternatorFactor,
            $loadPf,
            $breakerA,
            $breakerPct,
            $planPct,
            $averageKw,
            $duty,
        );
    }

    /** @return non-empty-array<string, float> */
    private function ratings(Fields $in): array
    {
        $ratings = [];
        foreach (self::FUELS as $name) {
            $kw = $in->maybeNp($name);
            if ($kw !== null) {
                $ratings[$name] = $kw;
            }
        }

        return $ratings === [] ? throw $in->node->bad('At least one rating is needed.') : $ratings;
    }

    private function slopes(Fields $in, string $fuel): DeratingSlopes
    {
        $aspiration = $in->oneOf('aspiration', ['natural', 'turbo'], DeratingSlopes::usualAspiration($fuel));
        $generic = DeratingSlopes::generic($fuel, $aspiration);

        return new DeratingSlopes(
            $in->n0('altitude_pct_per_1000_ft', $generic->altitudePctPer1000Ft),
            $in->n0('altitude_free_ft', $generic->altitudeFreeFt),
            $in->n0('temp_pct_per_10_c', $generic->tempPctPer10C),
            $in->n0('temp_free_c', $generic->tempFreeC),
            $in->has('altitude_pct_per_1000_ft'),
            $in->has('temp_pct_per_10_c'),
        );
    }

    /** @param \Closure(): void $refuseOther before figures are held against each other */
    private function inverter(Fields $in, LegSystem $system, \Closure $refuseOther): InverterRatingInput
    {
        $continuousKw = $in->only(self::INVERTER)->np('continuous_kw');
        $surgeKw = $in->np('surge_kw', $continuousKw);
        $batteryKwh = $in->n0('battery_kwh');
        $count = $in->int('count', 1, 20, 1);
        $extraKwh = $in->n0('extra_battery_kwh', 0.0);
        $depth = $in->number('dod_pct', 1, 100, 90.0) / 100;
        $efficiency = $in->number('efficiency_pct', 1, 100, 90.0) / 100;
        $output = $in->oneOf('output', InverterRatingInput::OUTPUTS, 'split_240');
        $outletA = $in->maybeNp('outlet_a');
        $legKw = $in->maybeNp('leg_kw');
        $needs240 = $in->bool('needs_240', false);
        $refuseOther();

        return new InverterRatingInput(
            $system->vLn,
            $continuousKw,
            $surgeKw,
            $batteryKwh,
            $count,
            $extraKwh,
            $depth,
            $efficiency,
            $output,
            $outletA,
            $legKw,
            $needs240,
        );
    }
}
