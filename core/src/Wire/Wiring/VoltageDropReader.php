<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\VoltageDrop;
use Escapement\Core\Wiring\VoltageDropInput;
use Escapement\Core\Wiring\WiringFields;

/** `voltage_drop` on the wire. Rule: docs/rules.md#voltage-drop. */
final readonly class VoltageDropReader implements InputReader
{
    /**
     * @return array<string, mixed> the drop's own figures stand beside the others
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $result = (new VoltageDrop())->judge($this->input($node));
        $values = ResultWriter::write($result);
        unset($values['drop']);

        return $values + ResultWriter::write($result->drop);
    }

    /** @throws BadInput */
    public function input(Node $node): VoltageDropInput
    {
        $in = new Fields($node);
        $system = $in->oneOf('system', ['nec', 'iec'], 'nec');
        $circuit = $in->oneOf('circuit', ['single_phase', 'split_phase', 'three_phase']);
        $method = $in->oneOf('method', ['dc', 'k_factor', 'impedance'], 'dc');
        if ($method === 'k_factor' && $system === 'iec') {
            throw $in->at('method')->bad('The K factor belongs to circular mils.');
        }
        $isSplit = $circuit === 'split_phase';
        $in->only(self::keys($system, $circuit, $method));
        $material = $in->oneOf('material', ['cu', 'al']);
        $sizes = $system === 'iec' ? Sizes::MM2 : [...Sizes::CONTROL, ...Sizes::AWG];
        $size = $in->oneOf('size', $sizes);
        $sets = $in->int('sets', 1, 12, 1);
        $v = $in->number('v', 1, 1000);
        $amps = self::amps($in, $isSplit);
        $neutralSize = $isSplit ? $in->maybeOneOf('neutral_size', $system === 'iec' ? Sizes::MM2 : Sizes::AWG) : null;
        [$feet, $metres] = WiringFields::lengths($in);
        $pf = $in->number('pf', 0.1, 1, 1.0);
        $conduit = $in->oneOf('conduit', ['pvc', 'aluminum', 'steel'], 'pvc');
        $conductorC = $in->number('conductor_temp_c', -40, 150, 75.0);
        $limitPct = $in->number('limit_pct', 0, 50, 3.0, aboveMin: true);
        $upstreamPct = $in->number('upstream_drop_pct', 0, 50, 0.0);
        $totalLimitPct = $in->number('total_limit_pct', 0, 50, 5.0, aboveMin: true);
        $lengthFt = WiringFields::feet($in, $feet, $metres);
        if (in_array($size, Sizes::CONTROL, true) && ! ($material === 'cu' && $circuit === 'single_phase' && $method !== 'impedance')) {
            throw $in->at('size')->bad('18 and 16 AWG are copper control pairs: single phase, by direct current or K factor.');
        }
        $this->demandMade($in, $system === 'iec' ? Sizes::metric($material) : Sizes::awg($material), [
            'size' => $size, 'neutral_size' => $neutralSize,
        ]);
        if ($isSplit && array_sum($amps) < 0.001) {
            throw $in->at('leg1_a')->bad('A load is needed on one leg at least.');
        }

        return new VoltageDropInput(
            $system,
            $circuit,
            $material,
            $size,
            $v,
            $amps,
            $lengthFt,
            $sets,
            $method,
            $neutralSize,
            $pf,
            $conduit,
            $conductorC,
            $limitPct,
            $upstreamPct,
            $totalLimitPct,
        );
    }

    /** @return non-empty-list<float> of each leg */
    private static function amps(Fields $in, bool $isSplit): array
    {
        return $isSplit ? [$in->number('leg1_a', 0, 5000), $in->number('leg2_a', 0, 5000)] : [$in->number('current_a', 0.001, 5000)];
    }

    /**
     * @param list<string>           $made  in this metal
     * @param array<string, ?string> $sizes by their keys
     */
    private function demandMade(Fields $in, array $made, array $sizes): void
    {
        foreach ($sizes as $key => $size) {
            if ($size !== null && ! in_array($size, [...Sizes::CONTROL, ...$made], true)) {
                throw $in->at($key)->bad('Aluminum is not made in this size.');
            }
        }
    }

    /** @return list<string> */
    private static function keys(string $system, string $circuit, string $method): array
    {
        $isNec = $system === 'nec';

        return [
            'system',
            'circuit',
            'material',
            'size',
            'sets',
            'v',
            ...($circuit === 'split_phase' ? ['leg1_a', 'leg2_a', 'neutral_size'] : ['current_a']),
            'length_ft', 'length_m', 'method', ...($method === 'impedance' ? ['pf', ...($isNec ? ['conduit'] : [])] : []),
            ...($isNec && $method !== 'k_factor' ? ['conductor_temp_c'] : []), 'limit_pct', 'upstream_drop_pct', 'total_limit_pct',
        ];
    }
}
