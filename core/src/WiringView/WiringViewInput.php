<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

use Escapement\Core\Topology\Element;
use Escapement\Core\Topology\OneLine;

/** One enclosure of a one-line, conductor by conductor. Rule: docs/rules.md#wiring-view. */
final readonly class WiringViewInput
{
    /**
     * @param Element                $enclosure  a switch, panel or disconnect
     * @param list<string>           $sizes      of its size system, in order
     * @param list<PlannedConductor> $conductors
     * @param array<string, Lug>     $lugs       by terminal
     * @param bool                   $bond       neutral and ground are joined here
     * @param ?bool                  $bondWanted whether the bonding of the site wants it; null: not known
     * @param list<Control>          $controls
     * @param list<ControlWire>      $controlWires
     * @param list<Jumper>           $jumpers
     */
    public function __construct(
        public OneLine $drawing,
        public Element $enclosure,
        public array $sizes,
        public array $conductors,
        public array $lugs = [],
        public bool $bond = false,
        public ?bool $bondWanted = null,
        public array $controls = [],
        public array $controlWires = [],
        public array $jumpers = [],
    ) {}

    /** @return list<string> the phases, in the order of their columns */
    public function phases(): array
    {
        return array_slice(['L1', 'L2', 'L3'], 0, $this->drawing->phases());
    }

    /** The enclosure's own port on a link. */
    public function portOn(int $link): string
    {
        $drawn = $this->drawing->links[$link];

        return $drawn->toId === $this->enclosure->id ? $drawn->toPort : $drawn->fromPort;
    }

    /** The other end of a link, as element.port. */
    public function farEnd(int $link): string
    {
        $drawn = $this->drawing->links[$link];

        return $drawn->toId === $this->enclosure->id ? $drawn->from() : $drawn->to();
    }
}
