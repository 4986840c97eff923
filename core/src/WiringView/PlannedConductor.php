<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** One conductor of a feeder, each parallel one too, at the enclosure. Rule: docs/rules.md#wiring-view. */
final readonly class PlannedConductor
{
    /**
     * @param int     $link     index of the link it belongs to, which touches the enclosure
     * @param string  $leg      a phase, N or G
     * @param ?string $terminal null: where its leg belongs
     * @param ?string $size     of the size system of the enclosure
     * @param ?string $material cu or al
     * @param string  $entry    top, bottom, left or right
     */
    public function __construct(
        public string $id,
        public int $link,
        public string $leg,
        public ?string $terminal = null,
        public ?string $size = null,
        public ?string $material = null,
        public ?string $colour = null,
        public string $entry = 'top',
    ) {}
}
