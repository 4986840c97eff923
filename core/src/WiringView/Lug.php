<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

/** What the marking of a terminal allows. Rule: docs/rules.md#wiring-view. */
final readonly class Lug
{
    /**
     * @param ?int    $wiresMax how many conductors it takes
     * @param ?string $material cu, al or cu_al
     * @param int     $depth    0: deepest, landed first
     */
    public function __construct(
        public string $terminal,
        public ?int $wiresMax = null,
        public ?string $material = null,
        public ?string $minSize = null,
        public ?string $maxSize = null,
        public int $depth = 0,
    ) {}
}
