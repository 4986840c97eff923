<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A recording whose load steps are to be judged. Rule: docs/rules.md#step-transients. */
final readonly class TransientInput
{
    /**
     * @param list<GivenStep> $steps   in order of time; those that were found are added to them by nobody: one or the other
     * @param ?float          $stepKw  a change of power that counts as a step; null: the steps are given
     * @param float           $sideMs  over which power is taken as a mean on both sides of a step
     * @param float           $preMs   before a step
     * @param float           $windowMs after a step
     * @param float           $settleMs at the end of the window
     * @param float           $stayMs  how long a value must stay in its band
     */
    public function __construct(
        public Waveform $wave,
        public array $steps,
        public ?float $stepKw,
        public float $sideMs,
        public float $nominalV,
        public float $nominalHz,
        public bool $isDiesel,
        public GovernorClass $class,
        public float $preMs,
        public float $windowMs,
        public float $settleMs,
        public float $stayMs,
    ) {}
}
