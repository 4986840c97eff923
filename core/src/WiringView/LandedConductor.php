<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** A conductor with its place and its turn. Rule: docs/rules.md#wiring-view. */
final readonly class LandedConductor
{
    /**
     * @param string          $from   the link's ends, as element.port
     * @param 'bottom'|'top'  $gutter the channel it comes along
     * @param int             $lane   from the column outwards, 1 nearest
     * @param int             $slot   its place on the terminal, from 1
     * @param int             $order  its turn in landing, from 1
     */
    public function __construct(
        public string $id,
        public string $from,
        public string $to,
        public string $leg,
        public string $terminal,
        public ?string $size,
        public ?string $material,
        public ?string $colour,
        public string $entry,
        public string $gutter,
        public int $lane,
        public int $slot,
        public int $order,
    ) {}
}
