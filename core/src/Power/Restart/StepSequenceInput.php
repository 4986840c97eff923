<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Restart;

/** Shed loads, and the source they come back to. Rule: docs/rules.md#step-sequence. */
final readonly class StepSequenceInput
{
    /**
     * @param float             $stiffnessKva what the source sets against a start: dip = 100·s ÷ (s + k)
     * @param list<RestartLoad> $loads
     * @param float             $baseKw       runs already
     * @param ?float            $maxStartKva  null: only the dip limits a start
     * @param float             $firstStepS   after the transfer
     * @param float             $darkS        that the loads were without power before it
     */
    public function __construct(
        public float $usableKw,
        public float $stiffnessKva,
        public array $loads,
        public float $baseKw = 0.0,
        public float $dipLimitPct = StepSequence::DIP_LIMIT_PCT,
        public ?float $maxStartKva = null,
        public float $firstStepS = 10.0,
        public float $stepS = 10.0,
        public float $darkS = 0.0,
    ) {}

    public function dipPct(float $startKva): float
    {
        return 100 * $startKva / ($startKva + $this->stiffnessKva);
    }

    /** The largest start that stays within the dip, and within what the source starts at all. */
    public function largestStartKva(): float
    {
        return min($this->stiffnessKva * $this->dipLimitPct / (100 - $this->dipLimitPct), $this->maxStartKva ?? INF);
    }

    /** @return list<RestartLoad> by priority; of equals the hardest start first */
    public function ordered(): array
    {
        $ordered = $this->loads;
        usort(
            $ordered,
            static fn(RestartLoad $a, RestartLoad $b): int => [$a->priority, $b->startKva, $b->kw, $a->id]
                <=> [$b->priority, $a->startKva, $a->kw, $b->id],
        );

        return $ordered;
    }
}
