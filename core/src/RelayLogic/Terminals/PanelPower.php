<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

/** The power side of a panel, as far as its wires go. */
final readonly class PanelPower
{
    /**
     * @param 'al'|'cu' $material
     * @param ?string   $size     null: choose one
     */
    public function __construct(
        public float $ocpdA,
        public float $loadA,
        public string $material,
        public bool $switchesNeutral,
        public ?string $size,
    ) {}
}
