<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

/** The facts of an installation that decide its timing: `system` on the wire. */
final readonly class Plant
{
    /** @param ?Engine $engine null exactly for two standing sources */
    public function __construct(
        public PlantKind $kind,
        public Source $normal,
        public Source $emergency,
        public ?Engine $engine,
    ) {
        if ($kind->hasEngine() !== ($engine !== null)) {
            throw new \LogicException('An engine belongs to standby and mobile, and to nothing else.');
        }
    }

    public function source(Side $side): Source
    {
        return $side === Side::Normal ? $this->normal : $this->emergency;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'sources' => ['normal' => $this->normal->toArray(), 'emergency' => $this->emergency->toArray()],
            'engine' => $this->engine?->toArray(),
        ];
    }
}
