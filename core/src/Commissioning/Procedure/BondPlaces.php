<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/**
 * Where bonds are proved: at each sub-panel by its lifted feeder neutral, and last at the one place where neutral and
 * ground are joined.
 */
final readonly class BondPlaces
{
    /**
     * @param list<array{id: string, name: string}> $subPanels
     * @param ?string                               $bondPlace null: not known
     */
    public function __construct(public array $subPanels = [], public ?string $bondPlace = null) {}
}
