<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Input\Tolerance;

/** Two legs that share a neutral: their breakers, what flows, and what the neutral carries, all in amperes. */
final readonly class MultiwireBranch
{
    public function __construct(
        public string $id,
        public float $breakerA1,
        public float $breakerA2,
        public float $a1,
        public float $a2,
        public float $neutralA,
    ) {}

    /** What its neutral carries when both legs are in phase: by what the breakers let through, or by what flows. */
    public function neutralAmps(SingleLegJumperInput $in): float
    {
        return $in->isWorst ? min($this->breakerA1 + $this->breakerA2, $in->inverterA) : $this->a1 + $this->a2;
    }

    public function isOverloaded(SingleLegJumperInput $in): bool
    {
        return Tolerance::exceeds($this->neutralAmps($in), $this->neutralA);
    }

    /** Its neutral is only safe because the inverter's breaker trips first. */
    public function reliesOnInverter(SingleLegJumperInput $in): bool
    {
        return $in->isWorst && ! $this->isOverloaded($in) && Tolerance::exceeds($this->breakerA1 + $this->breakerA2, $this->neutralA);
    }

    /** @return array{id: string, neutral_a: float, neutral_split_a: float, ok: bool} */
    public function toArray(SingleLegJumperInput $in): array
    {
        return [
            'id' => $this->id,
            'neutral_a' => $this->neutralAmps($in),
            'neutral_split_a' => abs($this->a1 - $this->a2),
            'ok' => ! $this->isOverloaded($in),
        ];
    }
}
