<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

/** A raceway and what is to lie in it. Rule: docs/rules.md#raceway-fill. */
final readonly class RacewayFillInput
{
    /**
     * @param string                   $type     of Raceways::TYPES, listed in this trade size
     * @param non-empty-list<FillItem> $items
     * @param bool                     $isNipple 24 in or shorter
     */
    public function __construct(
        public string $type,
        public string $tradeSize,
        public array $items,
        public bool $isNipple = false,
        public ?MetalComparison $compare = null,
    ) {}
}
