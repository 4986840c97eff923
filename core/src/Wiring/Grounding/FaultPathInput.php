<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

use Escapement\Core\Wiring\Sizes;

/** A bonding jumper, or the grounded conductor of a service: both carry the fault current back. Rule: docs/rules.md#grounding. */
final readonly class FaultPathInput
{
    /**
     * @param 'al'|'cu' $ungroundedMaterial
     * @param 'al'|'cu' $material
     * @param int       $raceways one conductor in each, sized by the conductors of that raceway
     */
    public function __construct(
        public string $ungroundedMaterial,
        public string $ungroundedSize,
        public string $material,
        public int $sets = 1,
        public int $raceways = 1,
        public ?string $installedSize = null,
    ) {}

    /** The ungrounded conductors that it answers for. */
    public function kcmil(): float
    {
        return Sizes::kcmil($this->ungroundedSize) * $this->sets / $this->raceways;
    }
}
