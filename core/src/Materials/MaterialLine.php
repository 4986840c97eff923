<?php

declare(strict_types=1);

namespace Escapement\Core\Materials;

/** One line of a pack list. */
final readonly class MaterialLine
{
    /**
     * @param string $key     stays the same while the thing does, so that a tick survives a new schedule
     * @param string $unit    '' for pieces, m for lengths
     * @param bool   $isGauge test gear with a date of calibration
     */
    public function __construct(
        public string $key,
        public MaterialGroup $group,
        public string $name,
        public ?float $quantity,
        public string $unit,
        public string $why,
        public bool $isGauge = false,
    ) {}

    /** The same thing, with more of it. */
    public function more(float $quantity): self
    {
        return new self(
            $this->key,
            $this->group,
            $this->name,
            (float) $this->quantity + $quantity,
            $this->unit,
            $this->why,
            $this->isGauge,
        );
    }
}
