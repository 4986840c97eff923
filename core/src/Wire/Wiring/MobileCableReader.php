<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wiring\CordPiece;
use Escapement\Core\Wiring\MobileCable;
use Escapement\Core\Wiring\MobileCableInput;
use Escapement\Core\Wiring\PlugContact;

/** `mobile_cable` on the wire. Rule: docs/rules.md#mobile-cable. */
final readonly class MobileCableReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new MobileCable())->answer($this->input($node))->toArray();
    }

    public function input(Node $node): MobileCableInput
    {
        $in = new Fields($node);
        $is30 = $in->oneOf('feed', ['30a', '50a']) === '30a';
        $own = $is30 ? ['current_a'] : ['l1_a', 'l2_a', 'single_leg_source'];
        $in->only(['feed', 'source_v', 'cords', ...$own, 'ocpd_a', 'ocpd_poles', 'limit_pct', 'connections']);
        $sourceV = $in->number('source_v', 100, 140, 120.0);
        $sizes = array_map(strval(...), array_keys(MobileCable::CORDS));
        $cords = $in->each('cords', 1, 5, static fn(Fields $one): CordPiece => new CordPiece(
            $one->only(['size', 'length_ft'])->oneOf('size', $sizes),
            $one->number('length_ft', 0.1, 500),
        ), isOptional: false);
        $first = $in->number($is30 ? 'current_a' : 'l1_a', 0, 100);
        $legsA = $is30 ? [$first] : [$first, $in->number('l2_a', 0, 100)];
        $isSingleLeg = ! $is30 && $in->bool('single_leg_source', false);
        $ocpdA = $in->number('ocpd_a', 5, 200);
        $poles = $in->int('ocpd_poles', 1, 2, $is30 ? 1 : 2);
        $limitPct = $in->number('limit_pct', 0, 20, 3.0, aboveMin: true);
        $contacts = $in->each('connections', 0, 20, static fn(Fields $one): PlugContact => new PlugContact(
            $one->only(['id', 'drop_mv', 'current_a'])->text('id', 40),
            $one->number('drop_mv', 0, 5000),
            $one->number('current_a', 0.01, 100),
        ), idsLast: true);
        $in->close();
        if (array_sum($legsA) < 0.001) {
            throw $node->at($is30 ? 'current_a' : 'l1_a', null)->bad('A load is needed.');
        }
        if ($cords === []) {
            throw $node->at('cords', null)->bad('A cord is needed.');
        }

        return new MobileCableInput($is30, $sourceV, $cords, $legsA, $ocpdA, $isSingleLeg, $poles, $limitPct, $contacts);
    }
}
