<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/** A way to balance a panel: what moves, and what is on the legs then. */
final readonly class BalancePlan
{
    /**
     * @param list<array{id: string, from: string, to: string}> $moves
     * @param list<int>                                         $planLegsA
     */
    public function __construct(
        public array $moves,
        public array $planLegsA,
        public int $spreadA,
        public float $planUnbalancePct,
        public LegAnalysis $utility,
        public ?LegAnalysis $generator,
    ) {}
}
