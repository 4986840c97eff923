<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/** An equipment grounding conductor behind a device. Rule: docs/rules.md#grounding. */
final readonly class EgcInput
{
    /**
     * @param 'al'|'cu' $material
     * @param 'al'|'cu' $ungroundedMaterial
     * @param ?string   $minSize       the smallest ungrounded size that carries the load after heat and bundling
     * @param ?string   $installedSize both or neither of the two
     * @param ?string   $egcSize       the one installed or proposed
     */
    public function __construct(
        public float $ocpdA,
        public string $material,
        public string $ungroundedMaterial = 'cu',
        public ?string $minSize = null,
        public ?string $installedSize = null,
        public int $minSets = 1,
        public int $sets = 1,
        public int $raceways = 1,
        public ?string $egcSize = null,
    ) {}
}
