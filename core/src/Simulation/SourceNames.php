<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;

/** What the two sources of a plant are called in a sentence. */
final readonly class SourceNames
{
    private function __construct(public string $normal, public string $emergency) {}

    public static function of(Plant $plant): self
    {
        return match ($plant->kind) {
            PlantKind::Standby => new self('utility', 'generator'),
            PlantKind::TwoSource => new self('preferred source', 'alternate source'),
            PlantKind::Mobile => new self('shore power', 'generator'),
        };
    }

    public function name(Side $side): string
    {
        return $side === Side::Normal ? $this->normal : $this->emergency;
    }
}
