<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\Metering\CurrentRatio;
use Escapement\Core\Power\Metering\MeterInput;
use Escapement\Core\Power\Metering\ThreePhaseMeter;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `three_phase_meter` on the wire. Rule: docs/rules.md#three-phase-meter. */
final readonly class ThreePhaseMeterReader implements InputReader
{
    private const KEYS = [
        'v_v', 'v_ll_v', 'i_a', 'pf', 'lead', 'ct', 'v_deg', 'i_deg', 'kw_meter', 'neutral_a', 'rotation_expected',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new ThreePhaseMeter())->read($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): MeterInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $vV = self::three($in, 'v_v', 0, 1e9);
        $vLl = self::three($in, 'v_ll_v', 0, 1e9);
        $iA = array_map(static fn(Node $one): float => (float) $one->number(0, 1e9), $in->list('i_a', 3, 3));
        $pf = self::three($in, 'pf', 0, 1) ?? [1.0, 1.0, 1.0];
        $lead = array_map(static fn(Node $one): bool => $one->bool(), $in->maybeList('lead', 3, 3) ?? []);
        $ct = self::ratio($in->maybeObject('ct'));
        $vDeg = self::three($in, 'v_deg', -360, 360);
        $iDeg = self::three($in, 'i_deg', -360, 360);
        $kw = self::three($in, 'kw_meter', -1e9, 1e9);
        $neutral = $in->maybeN0('neutral_a');
        $expected = $in->oneOf('rotation_expected', ['abc', 'acb'], 'abc');
        if ($vV === null && $vLl === null) {
            throw $in->node->bad('Give the voltages, line to neutral or line to line.');
        }
        if ($vDeg !== null && $vV === null) {
            throw $in->at('v_deg')->bad('Angles go with the voltages line to neutral.');
        }
        if ($iDeg !== null && $vDeg === null) {
            throw $in->at('i_deg')->bad('Angles of the currents go with those of the voltages.');
        }

        $leads = $lead === [] ? [false, false, false] : $lead;

        return new MeterInput($vV, $vLl, $iA, $pf, $leads, $ct, $vDeg, $iDeg, $kw, $neutral, $expected);
    }

    private static function ratio(?Fields $in): ?CurrentRatio
    {
        $in?->only(['primary_a', 'secondary_a', 'meter_primary_a', 'meter_secondary_a']);
        if ($in === null) {
            return null;
        }
        $primary = $in->np('primary_a');
        $secondary = $in->np('secondary_a', 5.0);

        return new CurrentRatio($primary, $secondary, $in->np('meter_primary_a', $primary), $in->np('meter_secondary_a', $secondary));
    }

    /** @return null|list<float> */
    private static function three(Fields $in, string $key, float $min, float $max): ?array
    {
        $nodes = $in->maybeList($key, 3, 3);

        return $nodes === null ? null : array_map(static fn(Node $one): float => (float) $one->number($min, $max), $nodes);
    }
}
