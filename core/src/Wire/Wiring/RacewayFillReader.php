<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Raceway\FillItem;
use Escapement\Core\Wiring\Raceway\MetalComparison;
use Escapement\Core\Wiring\Raceway\RacewayFill;
use Escapement\Core\Wiring\Raceway\RacewayFillInput;
use Escapement\Core\Wiring\Raceways;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** `raceway_fill` on the wire. Rule: docs/rules.md#raceway-fill. */
final readonly class RacewayFillReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new RacewayFill())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): RacewayFillInput
    {
        $in = (new Fields($node))->only(['raceway', 'nipple', 'items', 'compare']);
        $raceway = $in->object('raceway')->only(['type', 'trade_size']);
        $type = $raceway->oneOf('type', Raceways::TYPES);
        $tradeSize = $raceway->oneOf('trade_size', Raceways::TRADE_SIZES);
        if (! Raceways::isListed($type, $tradeSize)) {
            throw $raceway->at('trade_size')->bad("This type of raceway is not listed in $tradeSize in.");
        }
        $isNipple = $in->bool('nipple', false);
        /** @var non-empty-list<FillItem> $items */
        $items = $in->each('items', 1, 40, $this->item(...), isOptional: false);
        $compare = $in->maybeObject('compare');

        return new RacewayFillInput($type, $tradeSize, $items, $isNipple, $compare === null ? null : $this->compare($compare));
    }

    private function item(Fields $in): FillItem
    {
        $kind = $in->oneOf('kind', [...Raceways::KINDS, 'cable']);
        $in->only(['kind', $kind === 'cable' ? 'od_in' : 'size', 'qty']);
        if ($kind === 'cable') {
            return FillItem::cable($in->number('od_in', 0.05, 6), $in->int('qty', 1, 100));
        }
        $size = $in->oneOf('size', Sizes::AWG);

        return FillItem::conductors($kind, $size, $in->int('qty', 1, 100)) ?? throw $in->at('size')->bad("$kind is not listed in $size.");
    }

    private function compare(Fields $in): MetalComparison
    {
        $in->only(['ocpd_a', 'dwelling_83pct', 'terminal_c', 'hots', 'neutral', 'egc', 'cu_kind', 'al_kind']);

        return new MetalComparison(
            $in->number('ocpd_a', 15, 1000),
            $in->bool('dwelling_83pct', false),
            WiringFields::maybeOneInt($in, 'terminal_c', [60, 75]),
            $in->int('hots', 1, 3, 2),
            $in->bool('neutral', true),
            $in->bool('egc', true),
            $in->oneOf('cu_kind', ['thhn', 'xhhw2'], 'thhn'),
            $in->oneOf('al_kind', ['xhhw2', 'xhhw2_compact', 'thhn'], 'xhhw2'),
        );
    }
}
