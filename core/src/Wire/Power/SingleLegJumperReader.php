<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\JumperLoad;
use Escapement\Core\Power\MultiwireBranch;
use Escapement\Core\Power\SingleLegJumper;
use Escapement\Core\Power\SingleLegJumperInput;
use Escapement\Core\Wire\InputReader;

/** `single_leg_jumper` on the wire. Rule: docs/rules.md#single-leg-jumper. */
final readonly class SingleLegJumperReader implements InputReader
{
    private const KEYS = [
        'maker_allows', 'alternate_ever_240', 'inverter_kw', 'inverter_a', 'v_ln_v', 'feeder_neutral_a', 'main_a', 'check', 'loads',
        'multiwire',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new SingleLegJumper())->answer($this->input($node))->toArray();
    }

    public function input(Node $node): SingleLegJumperInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $maker = $in->oneOf('maker_allows', ['yes', 'no', 'unknown'], 'unknown');
        $isEver240 = $in->bool('alternate_ever_240');
        $inverterKw = $in->np('inverter_kw');
        $inverterA = $in->np('inverter_a');
        $volts = $in->np('v_ln_v', 120.0);
        $feederNeutralA = $in->np('feeder_neutral_a');
        $mainA = $in->np('main_a', 50.0);
        $isWorst = $in->oneOf('check', ['worst', 'actual'], 'worst') === 'worst';
        $loads = $in->each('loads', 0, 200, static fn(Fields $one): JumperLoad => new JumperLoad(
            $one->only(['id', 'kw', 'connect'])->text('id'),
            $one->n0('kw'),
            $one->oneOf('connect', ['L1', 'L2', 'L1L2']),
        ));
        $multiwire = $in->each('multiwire', 0, 40, static fn(Fields $one): MultiwireBranch => new MultiwireBranch(
            $one->only(['id', 'l1_breaker_a', 'l2_breaker_a', 'l1_a', 'l2_a', 'neutral_a'])->text('id'),
            $one->np('l1_breaker_a'),
            $one->np('l2_breaker_a'),
            $one->n0('l1_a', 0.0),
            $one->n0('l2_a', 0.0),
            $one->np('neutral_a'),
        ));
        $in->close();

        return new SingleLegJumperInput(
            $maker,
            $isEver240,
            $inverterKw,
            $inverterA,
            $feederNeutralA,
            $loads,
            $volts,
            $mainA,
            $isWorst,
            $multiwire,
        );
    }
}
