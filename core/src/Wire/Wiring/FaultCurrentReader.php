<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\FaultCurrent\FaultCircuit;
use Escapement\Core\Wiring\FaultCurrent\FaultCurrent;
use Escapement\Core\Wiring\FaultCurrent\FaultCurrentInput;
use Escapement\Core\Wiring\FaultCurrent\FaultPoint;
use Escapement\Core\Wiring\FaultCurrent\FaultRun;
use Escapement\Core\Wiring\FaultCurrent\FaultSource;
use Escapement\Core\Wiring\FaultCurrent\GeneratorFault;
use Escapement\Core\Wiring\FaultCurrent\KnownFault;
use Escapement\Core\Wiring\FaultCurrent\Transformer;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** `fault_current` on the wire. Rule: docs/rules.md#fault-current. */
final readonly class FaultCurrentReader implements InputReader
{
    /** Line-to-neutral over line-to-line current of a centre-tapped transformer, as long as nobody has asked the maker. */
    private const LN_FACTOR = 1.5;

    private const XR_THREE_PHASE = 4.0;
    private const XR_OTHER = 1.5;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new FaultCurrent())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): FaultCurrentInput
    {
        $in = new Fields($node);
        $isNec = $in->oneOf('system', ['nec', 'iec'], 'nec') === 'nec';
        $kind = $in->oneOf('circuit', ['single_phase', 'split_phase', 'three_phase']);
        $in->only(['system', 'circuit', 'v', 'source', 'conductor_temp_c', 'motor_fla_a', 'points']);
        $circuit = new FaultCircuit($kind, $in->number('v', 50, 1000));
        $source = $this->source($in->object('source'), $circuit);
        $conductorC = $in->number('conductor_temp_c', -40, 150, 25.0);
        $motorA = $in->number('motor_fla_a', 0, 10_000, 0.0);
        $points = $froms = [];
        $known = ['source' => true];
        foreach ($in->list('points', 1, 40) as $item) {
            $fields = new Fields($item);
            $points[] = $point = $this->point($fields, $isNec, $circuit);
            $froms[] = [$fields, isset($known[$point->from])];
            $known[$point->id] = true;
        }
        self::refuseTwice($points, array_column($froms, 0));
        foreach ($froms as [$fields, $isKnown]) {
            if (! $isKnown) {
                throw $fields->at('from')->bad('This must be "source" or an earlier point.');
            }
        }

        return new FaultCurrentInput($isNec, $circuit, $source, $points, $conductorC, $motorA);
    }

    private function source(Fields $in, FaultCircuit $circuit): FaultSource
    {
        $kind = $in->oneOf('kind', ['transformer', 'known', 'generator']);
        $ln = $circuit->isSplit() ? ['ln_factor'] : [];
        $xr = $circuit->isThreePhase() ? self::XR_THREE_PHASE : self::XR_OTHER;
        if ($kind === 'transformer') {
            $in->only(['kind', 'kva', 'impedance_pct', 'tolerance_pct', 'primary_mva', 'xr', ...$ln]);

            return new Transformer(
                $in->number('kva', 0.1, 100_000),
                $in->number('impedance_pct', 0.1, 20),
                $in->number('tolerance_pct', 0, 20, 10.0),
                $in->maybeNumber('primary_mva', 0.1, 100_000),
                $in->number('xr', 0, 100, $xr),
                $in->number('ln_factor', 0.5, 2, self::LN_FACTOR),
            );
        }
        if ($kind === 'known') {
            $in->only(['kind', 'fault_ka', 'xr', ...$ln]);

            return new KnownFault(
                $in->number('fault_ka', 0.01, 300),
                $in->number('xr', 0, 100, $xr),
                $in->number('ln_factor', 0.5, 2, self::LN_FACTOR),
            );
        }
        $in->only(['kind', 'kva', 'xd2_pct', 'xd1_pct', 'xd_pct', 'sustained_pct', 'td2_s', 'td1_s', 'trip_s', ...$ln]);

        return $this->generator($in);
    }

    private function generator(Fields $in): GeneratorFault
    {
        $kva = $in->number('kva', 0.1, 100_000);
        $xd2 = $in->number('xd2_pct', 1, 100);
        $xd1 = $in->number('xd1_pct', 1, 200, GeneratorFault::TRANSIENT_SHARE * $xd2);
        $xd = $in->number('xd_pct', 1, 1000, max(GeneratorFault::SYNCHRONOUS_PCT, $xd1));
        $generator = new GeneratorFault(
            $kva,
            $xd2,
            $xd1,
            $xd,
            $in->maybeNumber('sustained_pct', 0, 1000),
            $in->number('td2_s', 0.001, 1, GeneratorFault::TD2_S),
            $in->number('td1_s', 0.01, 10, GeneratorFault::TD1_S),
            $in->number('trip_s', 0, 10, GeneratorFault::TRIP_S),
            $in->number('ln_factor', 0.5, 2, 1.0),
        );
        if ($xd1 < $xd2) {
            throw $in->at('xd1_pct')->bad('The transient reactance is not below the subtransient one.');
        }
        if ($xd < $xd1) {
            throw $in->at('xd_pct')->bad('The synchronous reactance is not below the transient one.');
        }

        return $generator;
    }

    private function point(Fields $in, bool $isNec, FaultCircuit $circuit): FaultPoint
    {
        $in->only(['id', 'from', 'run', 'aic_ka', 'series_ka', 'rating_a', 'instantaneous_a']);
        $id = $in->text('id', 40);
        $from = $in->text('from', 40);
        $run = $in->maybeObject('run');
        $point = new FaultPoint(
            $id,
            $from,
            $run === null ? null : $this->run($run, $isNec, $circuit),
            $in->maybeNumber('aic_ka', 0.1, 300),
            $in->maybeNumber('series_ka', 0.1, 300),
            $in->maybeNumber('rating_a', 1, 6000),
            $in->maybeNumber('instantaneous_a', 1, 100_000),
        );
        if ($id === 'source') {
            throw $in->at('id')->bad('"source" is the source itself.');
        }
        if ($point->seriesKa !== null && $point->aicKa === null) {
            throw BadInput::missing($in->at('aic_ka')->path);
        }

        return $point;
    }

    private function run(Fields $in, bool $isNec, FaultCircuit $circuit): FaultRun
    {
        $neutral = $circuit->isSplit() ? ['neutral_size'] : [];
        $in->only(['material', 'size', ...$neutral, 'sets', 'length_ft', 'length_m', ...($isNec ? ['conduit'] : [])]);
        $material = $in->oneOf('material', ['cu', 'al']);
        $sizes = $isNec ? Sizes::AWG : Sizes::MM2;
        $size = $in->oneOf('size', $sizes);
        $neutralSize = $in->maybeOneOf('neutral_size', $sizes);
        $sets = $in->int('sets', 1, 12, 1);
        [$feet, $metres] = WiringFields::lengths($in);
        $conduit = $in->oneOf('conduit', ['pvc', 'aluminum', 'steel'], 'pvc');
        $lengthFt = WiringFields::feet($in, $feet, $metres);
        foreach (['size' => $size, 'neutral_size' => $neutralSize] as $key => $one) {
            if ($one !== null && ! in_array($one, $isNec ? Sizes::awg($material) : Sizes::metric($material), true)) {
                throw $in->at($key)->bad('Aluminum is not made in this size.');
            }
        }

        return new FaultRun($material, $size, $lengthFt, $sets, $neutralSize, $conduit);
    }

    /**
     * @param list<FaultPoint> $points
     * @param list<Fields>     $fields
     */
    private static function refuseTwice(array $points, array $fields): void
    {
        $seen = [];
        foreach ($points as $i => $point) {
            if (isset($seen[$point->id])) {
                throw $fields[$i]->at('id')->bad("\"$point->id\" is in this list already.");
            }
            $seen[$point->id] = true;
        }
    }
}
