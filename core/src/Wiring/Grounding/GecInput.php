<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/** A grounding electrode conductor of a service. Rule: docs/rules.md#grounding. */
final readonly class GecInput
{
    /**
     * @param 'al'|'cu'                                   $ungroundedMaterial
     * @param 'al'|'cu'                                   $material
     * @param 'concrete_encased'|'pipe_or_steel'|'rod'    $electrode
     */
    public function __construct(
        public string $ungroundedMaterial,
        public string $ungroundedSize,
        public string $material,
        public int $sets = 1,
        public string $electrode = 'pipe_or_steel',
        public ?string $installedSize = null,
    ) {}
}
