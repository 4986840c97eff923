<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

/** A source of a changeover, and where its star point meets the earth. Rule: docs/rules.md#neutral-earth. */
final readonly class EarthedSource
{
    /**
     * @param float $neutralOhm conductor from the star point to the panel
     * @param float $earthOhm   from the star point to the common earth
     * @param ?float $pickupA   of its ground-fault protection; null: it has none
     */
    public function __construct(
        public string $id,
        public bool $isGenerator,
        public bool $isEarthed,
        public float $neutralOhm,
        public float $earthOhm,
        public float $vLn,
        public ?float $pickupA,
        public int $delayMs,
    ) {}
}
