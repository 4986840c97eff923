<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

/** One feeder in copper and in aluminum, to see which is the easier pull. Rule: docs/rules.md#raceway-fill. */
final readonly class MetalComparison
{
    /** @param ?int $terminalC 60 or 75; null: by the device */
    public function __construct(
        public float $ocpdA,
        public bool $isDwelling = false,
        public ?int $terminalC = null,
        public int $hots = 2,
        public bool $hasNeutral = true,
        public bool $hasEgc = true,
        public string $copperKind = 'thhn',
        public string $aluminumKind = 'xhhw2',
    ) {}
}
