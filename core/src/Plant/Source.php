<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

final readonly class Source
{
    /** @param int $phases 1, 2 (split phase) or 3; voltages are per sensed channel */
    public function __construct(
        public int $phases,
        public int|float $nominalV,
        public int|float $nominalHz,
        public string $rotation = 'abc',
    ) {}

    public function isThreePhase(): bool
    {
        return $this->phases === 3;
    }

    /** @return array<string, int|float|string> */
    public function toArray(): array
    {
        $array = ['phases' => $this->phases, 'nominal_v' => $this->nominalV, 'nominal_hz' => $this->nominalHz];

        return $this->isThreePhase() ? $array + ['rotation' => $this->rotation] : $array;
    }
}
