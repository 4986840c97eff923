<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Panel\NeutralEarth\EarthedSource;
use Escapement\Core\Panel\NeutralEarth\NeutralEarth;
use Escapement\Core\Panel\NeutralEarth\NeutralEarthInput;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\WiringFields;

/** `neutral_earth` on the wire. Rule: docs/rules.md#neutral-earth. */
final readonly class NeutralEarthReader implements InputReader
{
    private const KEYS = [
        'poles', 'wording', 'sources', 'panel_bond', 'panel_bond_ohm', 'load_neutral_a', 'phase_ohm', 'fault_ohm', 'loads_w',
        'neutrals_swapped',
    ];
    private const FOUR_POLE = ['neutral_sequence', 'overlap_ms'];
    private const SOURCE = ['id', 'kind', 'earthed', 'neutral_ohm', 'earth_ohm', 'v_ln_v', 'gfp'];
    private const LEAST_OHM = 1e-5;
    private const MOST_OHM = 10_000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        $written = ResultWriter::write((new NeutralEarth())->judge($this->input($node)));

        return ['separately_derived' => (object) $written['separately_derived']] + $written;
    }

    /** @throws BadInput */
    public function input(Node $node): NeutralEarthInput
    {
        $in = new Fields($node);
        $poles = WiringFields::maybeOneInt($in, 'poles', [3, 4]) ?? throw BadInput::missing($node->at('poles', null)->path);
        $in->only([...self::KEYS, ...($poles === 4 ? self::FOUR_POLE : [])]);
        $wording = $in->oneOf('wording', ['iec_tn_s', 'iec_tn_c_s', 'iec_tt', 'nec']);
        $sources = $in->each('sources', 2, 2, $this->source(...), isOptional: false);
        $hasBond = $in->bool('panel_bond', false);
        $bondOhm = $in->number('panel_bond_ohm', self::LEAST_OHM, self::MOST_OHM, 0.001);
        $loadA = $in->number('load_neutral_a', 0, 5000);
        $phaseOhm = $in->number('phase_ohm', 0, self::MOST_OHM, 0.05);
        $faultOhm = $in->number('fault_ohm', 0, self::MOST_OHM, 0.1);
        $loads = $in->at('loads_w')->isNull() ? null
            : array_map(static fn(Node $one): float => (float) $one->number(0, 1e7), $in->list('loads_w', 3, 3));
        if ($loads !== null && array_sum($loads) <= 0) {
            throw $in->at('loads_w')->bad('Not all three loads are 0.');
        }
        $isSwapped = $in->bool('neutrals_swapped', false);
        $sequence = $poles === 4 ? $in->oneOf('neutral_sequence', ['overlapping', 'simultaneous', 'late'], 'overlapping') : 'overlapping';
        $overlapMs = $poles === 4 ? $in->int('overlap_ms', 0, 1000, 20) : 0;

        return new NeutralEarthInput(
            $poles === 4,
            $wording,
            [$sources[0], $sources[1]],
            $hasBond,
            $bondOhm,
            $loadA,
            $phaseOhm,
            $faultOhm,
            $loads === null ? null : [$loads[0], $loads[1], $loads[2]],
            $isSwapped,
            $sequence,
            $overlapMs,
        );
    }

    private function source(Fields $in): EarthedSource
    {
        $in->only(self::SOURCE);
        $id = $in->text('id', 40);
        $kind = $in->oneOf('kind', ['transformer', 'generator']);
        $isEarthed = $in->bool('earthed');
        $neutralOhm = $in->number('neutral_ohm', self::LEAST_OHM, self::MOST_OHM, 0.02);
        $earthOhm = $in->number('earth_ohm', self::LEAST_OHM, self::MOST_OHM, 0.02);
        $vLn = $in->number('v_ln_v', 10, 1000, 230.0);
        $gfp = $in->at('gfp')->isNull() ? null : $in->object('gfp')->only(['pickup_a', 'delay_ms']);

        return new EarthedSource(
            $id,
            $kind === 'generator',
            $isEarthed,
            $neutralOhm,
            $earthOhm,
            $vLn,
            $gfp?->number('pickup_a', 0.01, 5000),
            $gfp?->int('delay_ms', 0, 10_000, 0) ?? 0,
        );
    }
}
